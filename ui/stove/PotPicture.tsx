/** The pot with its liquor and what hangs in it; a fine edge keeps pale yarn apart from pale liquor. */
export function PotPicture({ liquorHex, threads }: { liquorHex: string; threads: readonly string[] }) {
  const shown = threads.slice(0, 5);
  return (
    <svg style={{ maxWidth: '100%', marginLeft: 'auto' }} width="150" height="66" viewBox="0 0 150 66" aria-hidden="true">
      <path d="M3 14V56a7 7 0 0 0 7 7h130a7 7 0 0 0 7-7V14" fill="none" stroke="var(--ink)" strokeWidth={2} />
      <rect x="5" y="24" width="140" height="37" rx="5" fill={liquorHex} opacity="0.55" />
      {shown.map((hex, i) => {
        const x = 16 + i * (118 / Math.max(1, shown.length));
        const loop = `M${x} 6V48q0 6 6 6t6-6V10q0-4 5-4t5 4V48q0 6 5 6t5-6V8`;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: two lots may have one colour
          <g key={i} fill="none" strokeLinecap="round">
            <path d={loop} stroke="var(--ink-2)" strokeWidth={6} opacity={0.7} />
            <path d={loop} stroke={hex} strokeWidth="4.6" />
          </g>
        );
      })}
    </svg>
  );
}
