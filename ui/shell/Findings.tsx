'use client';
import type { Finding } from '@/core/safety/finding';
import { isStop } from '@/core/safety/finding';
import { usePrint } from './facts';
import { later } from './later';
import { StopMark } from './Marks';

// Most pages have few cautions: what folds the rest comes when there is a rest, in a place as high as its closed line.
const Open = later(() => import('./Open').then((module) => module.Open), <div style={{ minHeight: 39 }} />);

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

/** One caution in its place. */
export function Caution({ severity, where = [], text }: { severity: Finding['severity']; where?: readonly string[]; text: string }) {
  const print = usePrint();
  const stops = severity === 'stop' || severity === 'stopUnlessReason';
  return (
    <div className={`finding finding-${severity}`}>
      {stops ? <StopMark /> : null}
      <span>
        <strong>{WORD[severity]}</strong>
        {where.length > 0 ? ` · ${where.join('; ')}` : ''}: {print.says(text)}
        {severity === 'stopUnlessReason' ? ' Change it, or give a reason in the step.' : ''}
      </span>
    </div>
  );
}

/** Cautions where the hand is about to move: stops always open, of the rest the first few, the others folded with a count. */
export function Findings({ findings: all, stepTitle }: { findings: readonly Finding[]; stepTitle?: (stepId: string) => string }) {
  const findings = merged(all, stepTitle);
  const stops = findings.filter(isStop);
  const others = findings.filter((finding) => !isStop(finding));
  const shown = others.slice(0, Math.max(0, OPEN_AT_MOST - stops.length));
  const folded = others.slice(shown.length);
  const list = (some: readonly Merged[]) => (
    <ul>
      {some.map((finding) => (
        <li key={`${finding.rule}${finding.text}`}>
          <Caution severity={finding.severity} where={finding.where} text={finding.text} />
        </li>
      ))}
    </ul>
  );
  if (findings.length === 0) return null;
  return (
    <section className={stops.length > 0 ? 'panel stop-edge' : 'panel'} aria-label="Cautions">
      {list([...stops, ...shown])}
      {folded.length > 0 ? <Open title={`${folded.length} more ${folded.length === 1 ? 'caution' : 'cautions'}`}>{list(folded)}</Open> : null}
    </section>
  );
}
