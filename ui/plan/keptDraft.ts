'use client';
import type { Draft } from '@/core/plan/draft';

const KEY = 'hyndle.draft';

/** What was being planned survives a reload, whatever became of what it names. */
export function keptDraft(): Draft | null {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Draft | null;
    return kept && Array.isArray(kept.chain) && Array.isArray(kept.lotIds) ? kept : null;
  } catch {
    return null;
  }
}
export const keepDraft = (draft: Draft): void => localStorage.setItem(KEY, JSON.stringify(draft));
export const forgetDraft = (): void => localStorage.removeItem(KEY);
