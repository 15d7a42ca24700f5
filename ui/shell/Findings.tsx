import type { Finding } from '@/core/safety/finding';
import { isStop } from '@/core/safety/finding';
import { StopMark } from './Marks';

const WORD = { stop: 'Stop', stopUnlessReason: 'Stop', caution: 'Care', note: 'Note' } as const;
const OPEN_AT_MOST = 3;

interface Merged extends Finding {
  readonly where: readonly string[];
}

/** The same caution on several steps is said once, with the steps named. */
function merged(findings: readonly Finding[], stepTitle: ((stepId: string) => string) | undefined): Merged[] {
  const byText = new Map<string, Merged>();
  for (const finding of findings) {
    const had = byText.get(finding.text);
    const where = [...(had?.where ?? []), ...(stepTitle && finding.stepId ? [stepTitle(finding.stepId)] : [])];
    byText.set(finding.text, { ...finding, where: [...new Set(where)] });
  }
  return [...byText.values()];
}

/** Cautions where the hand is about to move: stops always open, of the rest the first few, the others folded with a count. */
export function Findings({ findings: all, stepTitle }: { findings: readonly Finding[]; stepTitle?: (stepId: string) => string }) {
  const findings = merged(all, stepTitle);
  const stops = findings.filter(isStop);
  const others = findings.filter((finding) => !isStop(finding));
  const shown = others.slice(0, Math.max(0, OPEN_AT_MOST - stops.length));
  const folded = others.slice(shown.length);
  const item = (finding: Merged) => (
    <li key={`${finding.rule}${finding.text}`} className={`finding finding-${finding.severity}`}>
      {isStop(finding) ? <StopMark /> : null}
      <span>
        <strong>{WORD[finding.severity]}</strong>
        {finding.where.length > 0 ? ` · ${finding.where.join('; ')}` : ''}: {finding.text}
        {finding.severity === 'stopUnlessReason' ? ' Change it, or give a reason in the step.' : ''}
      </span>
    </li>
  );
  if (findings.length === 0) return null;
  return (
    <div className="findings">
      <ul>{[...stops, ...shown].map(item)}</ul>
      {folded.length > 0 ? (
        <details>
          <summary>
            {folded.length} more {folded.length === 1 ? 'caution' : 'cautions'}
          </summary>
          <ul>{folded.map(item)}</ul>
        </details>
      ) : null}
    </div>
  );
}
