// What a worker of the pool runs; bundled by itself.
export { makeCard, makeFile as default } from "./make-file.js";
export { lookThrough } from "./look-through.js";
