const BYTES = 16;

/** An id that nobody else makes. Of plain random bytes: a page over http from another machine is given nothing better. */
export const newId = (): string => Array.from(crypto.getRandomValues(new Uint8Array(BYTES)), (byte) => byte.toString(16).padStart(2, '0')).join('');
