import type { PGlite } from '@electric-sql/pglite';
import type { FolderStore } from './folderStore';

/** What a store has open, for tests that break it. */
export const inside = (store: FolderStore): { readonly db: PGlite; readonly journal: { append: (line: unknown) => void } } =>
  (store as unknown as { parts: { db: PGlite; journal: { append: (line: unknown) => void } } }).parts;
