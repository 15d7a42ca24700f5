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
  tannin: { size: [8, 8], marks: <path d="M0 0 8 8M8 0 0 8" /> },
  resist: { size: [10, 10], marks: <circle cx="5" cy="5" r="2.8" /> },
  solar: { size: [10, 10], marks: <path d="M5 1v8M1 5h8M2.2 2.2l5.6 5.6M7.8 2.2 2.2 7.8" /> },
  bundle: { size: [10, 8], marks: <path d="M0 4q2.5-5 5 0t5 0M0 4q2.5 5 5 0t5 0" /> },
  dip: { size: [8, 10], marks: <path d="M4 0v6M2 6a2 2 0 0 0 4 0" /> },
  paste: { size: [10, 8], marks: <path d="M1 2h3v3H1zM6 4h3v3H6z" /> },
  modifier: { size: [8, 8], marks: <path d="M0 8 4 0l4 8" /> },
  reuse: { size: [10, 8], marks: <path d="M0 2h7l-2-2M10 6H3l2 2" /> },
  wash: { size: [8, 8], marks: <path d="M2 1.5a1 1 0 1 0 .1 0M6 5.5a1 1 0 1 0 .1 0" /> },
  cure: { size: [12, 8], marks: <path d="M0 4h3M5 4h3M10 4h2" /> },
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
  tannin: 'crosses',
  resist: 'rings',
  solar: 'stars',
  bundle: 'chain',
  dip: 'hooks',
  paste: 'blocks',
  modifier: 'peaks',
  reuse: 'returns',
  wash: 'bubbles',
  cure: 'running stitch',
};

/** The kind of a stay, in the trade's own word. */
export const KIND_WORD: Record<StepKind, string> = {
  scour: 'Scour',
  tannin: 'Tannin',
  mordant: 'Mordant',
  wetOut: 'Wet out',
  resist: 'Resist',
  extract: 'Extract',
  strain: 'Strain',
  dye: 'Dyebath',
  solar: 'No heat: jars and cold soaks',
  bundle: 'Bundle',
  dip: 'Tea and quick dips',
  paste: 'Paste',
  reuse: 'Use again, dye over',
  rest: 'Rest',
  modifier: 'Modify',
  iron: 'Iron',
  rinse: 'Rinse',
  wash: 'Wash',
  dry: 'Dry',
  cure: 'Cure',
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
    <svg
      width={width}
      height={height}
      style={{ flex: 'none', border: '1px solid var(--line-strong)', borderRadius: 2, color: 'var(--ink)' }}
      aria-hidden="true"
    >
      <StitchDefs />
      <rect width={width} height={height} fill="var(--card)" />
      <rect width={width} height={height} fill={`url(#stitch-${kind})`} />
    </svg>
  );
}
