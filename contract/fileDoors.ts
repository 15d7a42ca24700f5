/** What of /api/v1 takes or gives something else than JSON. Paths are below /api/v1, with `{name}` for parameters. */
export const FILE_DOORS = {
  live: { method: 'GET', path: '/live' },
  openApi: { method: 'GET', path: '/openapi.json' },
  saveArchive: { method: 'GET', path: '/archive' },
  takeArchive: { method: 'POST', path: '/archive' },
  keepPicture: { method: 'POST', path: '/blobs' },
  picture: { method: 'GET', path: '/blobs/{hash}' },
  lotsTable: { method: 'GET', path: '/lots.csv' },
  swatchesTable: { method: 'GET', path: '/swatches.csv' },
  trialTable: { method: 'GET', path: '/trials/{trialId}.csv' },
  shelfTable: { method: 'GET', path: '/shelf.csv' },
  weighOutTable: { method: 'GET', path: '/sessions/{sessionId}/weigh-out.csv' },
  logTable: { method: 'GET', path: '/runs/{runId}/log.csv' },
  runReadingsTable: { method: 'GET', path: '/runs/{runId}/readings.csv' },
  readingsTable: { method: 'GET', path: '/probes/{probeId}/readings.csv' },
  gplPalette: { method: 'GET', path: '/swatches.gpl' },
  cssPalette: { method: 'GET', path: '/swatches.css' },
} as const satisfies Record<string, { readonly method: 'GET' | 'POST'; readonly path: string }>;

export type FileDoorId = keyof typeof FILE_DOORS;

const MB = 1024 * 1024;
/** How much a request may bring, by what it means; a megabyte is far more than any act. */
export const MOST_BYTES = { act: MB, keepPicture: 25 * MB, takeArchive: 1024 * MB } as const;

const escaped = (text: string): string => text.replaceAll(/[.*+?^$()[\]\\|]/g, '\\$&');
const PATTERNS = Object.entries(FILE_DOORS).map(([id, { method, path }]) => {
  const pattern = escaped(path).replaceAll(/\{(\w+)\}/g, '(?<$1>[^/]+)');
  return { id: id as FileDoorId, method, pattern: new RegExp(`^${pattern}$`) };
});

/** Finds the door for a path below /api/v1. */
export function matchFileDoor(method: string, path: string): { id: FileDoorId; params: Record<string, string> } | { id: null; otherMethods: string[] } {
  const otherMethods: string[] = [];
  for (const door of PATTERNS) {
    const found = door.pattern.exec(path);
    if (found && door.method === method) return { id: door.id, params: { ...found.groups } };
    if (found) otherMethods.push(door.method);
  }
  return { id: null, otherMethods };
}
