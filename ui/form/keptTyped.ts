'use client';

/** What is being typed into a form, as JSON, kept in this tab until it is stored: a reload or a closed dialog loses none of it. */
const keyOf = (name: string): string => `hyndle.typed.${name}`;

export function typedBefore<V extends object>(name: string): V | null {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(keyOf(name)) ?? 'null');
    return typeof kept === 'object' && kept !== null ? (kept as V) : null;
  } catch {
    return null;
  }
}

export function keepTyped(name: string, values: string): void {
  try {
    sessionStorage.setItem(keyOf(name), values);
  } catch {
    // A full box only costs the convenience.
  }
}

export const forgetTyped = (name: string): void => sessionStorage.removeItem(keyOf(name));
