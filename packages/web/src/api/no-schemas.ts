/**
 * Stands in for the schema library in the browser, where the contract gives types and addresses alone: what is built with it
 * is never looked at here. A part of a part is one of these again, and to be spread it is empty.
 */
const nothing: object = new Proxy({}, { get: () => nothing });

export const Type = new Proxy({}, { get: () => () => nothing });
