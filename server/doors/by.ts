import type { Doors } from './doors';

/** Who asks, as the door found. Everything but devices and tokens is this machine: its pages, and what is made within. */
export type By =
  | { readonly kind: 'machine' }
  | { readonly kind: 'device' | 'token'; readonly id: string }
  /** Something that came in by another way, such as a message broker. */
  | { readonly kind: 'program'; readonly name: string };

const MACHINE: By = { kind: 'machine' };

/** @param said what the gate says of a request, such as `device:ID` */
export function byOf(said: string | null): By {
  const [kind, id] = (said ?? '').split(':');
  return (kind === 'device' || kind === 'token') && id ? { kind, id } : MACHINE;
}

/** The name that goes into the log beside an act; undefined for the machine itself. */
export function nameOf(by: By, doors: Doors): string | undefined {
  switch (by.kind) {
    case 'machine':
      return undefined;
    case 'program':
      return by.name;
    case 'device':
      return doors.devices.find((one) => one.id === by.id)?.name;
    case 'token':
      return doors.tokens.find((one) => one.id === by.id)?.name;
  }
}

/** Which device did it, where it was not the machine itself. */
export function signature({ by, doors }: { readonly by?: By | undefined; readonly doors: Doors }): { by?: string } {
  const name = by && nameOf(by, doors);
  return name === undefined ? {} : { by: name };
}
