import type { StepKind } from '@/core/method/method';

/** Woven and stitched patterns, one for each kind of step, in the ink of the page: no colour code. */
const DRAWN: Record<StepKind, { size: [number, number]; marks: React.ReactNode }> = {
  scour: { size: [8, 8], marks: <circle cx="4" cy="4" r="1.3" fill="currentColor" stroke="none" /> },
  wetOut: { size: [10, 6], marks: <path d="M0 4q2.5-4 5 0t5 0" /> },
  mordant: { size: [6, 6], marks: <path d="M-1 7 7-1M2 10l8-8M-4 4 4-4" /> },
  extract: { size: [8, 10], marks: <path d="M0 5 4 1l4 4M0 10l4-4 4 4" /> },
  strain: { size: [6, 6], marks: <path d="M0 3h6M3 0v6" /> },
  dye: { size: [5, 8], marks: <path d="M2.5 0v8" /> },
  rest: { size: [10, 10], marks: <path d="M0 2.5h5M0 5h5M7.5 5v5M10 5v5M5 7.5" /> },
  iron: { size: [8, 8], marks: <path d="M1 2h4M4 6h4" /> },
  rinse: { size: [8, 8], marks: <path d="M2 0v3M6 4v3" /> },
  dry: { size: [10, 8], marks: <path d="M0 2h10M3 2v4" /> },
};

export const STITCH_NAMES: Record<StepKind, string> = {
  scour: 'dots',
  wetOut: 'waves',
  mordant: 'twill',
  extract: 'herringbone',
  strain: 'net',
  dye: 'warp',
  rest: 'basket',
  iron: 'dashes',
  rinse: 'drops',
  dry: 'pegs',
};

export function StitchDefs() {
  return (
    <defs>
      {(Object.keys(DRAWN) as StepKind[]).map((kind) => {
        const { size, marks } = DRAWN[kind];
        return (
          <pattern key={kind} id={`stitch-${kind}`} width={size[0]} height={size[1]} patternUnits="userSpaceOnUse">
            <g fill="none" stroke="currentColor" strokeWidth="1.1">
              {marks}
            </g>
          </pattern>
        );
      })}
    </defs>
  );
}

/** A small patch of a kind's stitch, for lists and legends. */
export function StitchPatch({ kind, width = 18, height = 28 }: { kind: StepKind; width?: number; height?: number }) {
  return (
    <svg width={width} height={height} className="stitch-patch" aria-hidden="true">
      <StitchDefs />
      <rect width={width} height={height} fill="var(--card)" />
      <rect width={width} height={height} fill={`url(#stitch-${kind})`} />
    </svg>
  );
}
