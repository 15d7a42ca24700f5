const WIDTH = 150;
const HEIGHT = 130;
const ROW = 26;
const TOP = 34;

/** A screen of settings as a drawing: its heading, its rows, and where to tap. The words beside it say the same. */
export function ScreenPicture({ heading, rows, tapped }: { heading: string; rows: readonly string[]; tapped: number }) {
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width={WIDTH} height={HEIGHT} aria-hidden="true">
      <rect x="1" y="1" width={WIDTH - 2} height={HEIGHT - 2} rx="10" fill="var(--card)" stroke="var(--line-strong)" strokeWidth="2" />
      <text x="12" y="22" fill="var(--ink)" fontSize="11" fontWeight="700">
        {heading}
      </text>
      {rows.map((row, i) => (
        <g key={row} transform={`translate(0 ${TOP + i * ROW})`}>
          {i === tapped ? <rect x="6" y="1" width={WIDTH - 12} height={ROW - 2} rx="3" fill="none" stroke="var(--ink)" strokeWidth="1.5" /> : null}
          <text x="12" y="18" fill="var(--ink)" fontSize="11">
            {row}
          </text>
          {i === tapped ? <circle cx={WIDTH - 20} cy={ROW / 2} r="6" fill="var(--ink)" /> : null}
        </g>
      ))}
    </svg>
  );
}
