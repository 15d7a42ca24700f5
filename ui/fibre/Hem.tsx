import type { Passport, Treatment } from '@/core/fibre/passport';
import { CERTAINTY_WORD, TREATMENT_WORD } from './lotText';

const STITCH_PX = 22;
const STITCH_DASHES: Readonly<Record<Treatment['certainty'], string | undefined>> = {
  known: undefined,
  believed: '6 4',
  unknown: '1.5 5',
  noneOnPurpose: undefined,
};

/** A lot's past as a hem: one stitch a treatment, whole when known, dashed when not, open when left out on purpose. */
export function Hem({ passport, small = false }: { passport: Passport; small?: boolean }) {
  const { treatments } = passport;
  const shown: readonly Pick<Treatment, 'id' | 'kind' | 'certainty'>[] =
    treatments.length > 0 ? treatments : [{ id: 'none', kind: 'scour', certainty: 'unknown' }];
  const words = treatments.length > 0 ? treatments.map((t) => `${TREATMENT_WORD[t.kind]}, ${CERTAINTY_WORD[t.certainty]}`).join('; ') : 'history unknown';
  const step = small ? 12 : STITCH_PX;
  const height = small ? 14 : 22;
  return (
    <svg className="hem" style={{ display: 'block', maxWidth: '100%' }} width={shown.length * step + 6} height={height} role="img" aria-label={words}>
      <title>{words}</title>
      <line x1={0} x2={shown.length * step + 6} y1={height - 3} y2={height - 3} stroke="var(--line-strong)" strokeWidth={1.5} />
      {shown.map((treatment, i) => (
        <g key={treatment.id} transform={`translate(${3 + i * step} 0)`}>
          <path
            d={`M2 ${height - 5}L${step - 4} ${small ? 3 : 4}`}
            stroke="var(--ink)"
            strokeLinecap="round"
            strokeWidth={treatment.certainty === 'noneOnPurpose' ? 1 : 3}
            strokeDasharray={STITCH_DASHES[treatment.certainty]}
          />
        </g>
      ))}
    </svg>
  );
}
