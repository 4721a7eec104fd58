const UNIQUE_VIOLATION = "23505";

/** True for a row that could not be kept because another took its place at the same moment. */
export const isTaken = (error: unknown): boolean => (error as { nativeError?: { code?: string } }).nativeError?.code === UNIQUE_VIOLATION;
