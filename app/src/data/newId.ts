import { v7 } from 'uuid';

/** A client-made id that sorts by time (UUIDv7). */
export const newId = (): string => v7();
