/** One caution, at the moment it matters. It names a hazard, what to do and who decides; it never calls anything safe. */
export interface Finding {
  readonly rule: string;
  readonly severity: 'stop' | 'stopUnlessReason' | 'caution' | 'note';
  readonly text: string;
  readonly stepId: string | null;
}

const ORDER = { stop: 0, stopUnlessReason: 1, caution: 2, note: 3 } as const;

/** Most severe first; one message per rule and step. */
export function rankFindings(findings: readonly Finding[]): Finding[] {
  const seen = new Map<string, Finding>();
  for (const finding of findings) {
    const key = `${finding.rule}/${finding.stepId}/${finding.text}`;
    const had = seen.get(key);
    if (!had || ORDER[finding.severity] < ORDER[had.severity]) seen.set(key, finding);
  }
  return [...seen.values()].sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);
}

export const isStop = (finding: Finding): boolean => finding.severity === 'stop' || finding.severity === 'stopUnlessReason';
