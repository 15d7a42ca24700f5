'use client';
import { type KeyboardEvent, useEffect, useId, useMemo, useRef, useState } from 'react';
import { countText } from '@/core/measure/print';
import type { Plan } from '@/core/plan/plan';
import { usePrint } from '../shell/facts';
import { HandMark } from '../shell/Marks';
import { STITCH_NAMES, StitchDefs } from '../theme/stitches';
import { type Actual, AXIS_PX, HEAD_PX, threadPath, type WarpBlock, warpLayout } from './warpLayout';

interface Props {
  readonly plan: Plan;
  readonly nowMs?: number | null;
  readonly actual?: Readonly<Record<string, Actual>>;
  readonly chosenStepId?: string | null;
  readonly onChoose?: (stepId: string) => void;
}

/** The plan as it hangs: vessels side by side, time down, each lot a thread through the vessels it visits. */
export function Warp({ plan, nowMs = null, actual, chosenStepId, onChoose }: Props) {
  const print = usePrint();
  const frame = useRef<HTMLDivElement>(null);
  const [roomPx, setRoomPx] = useState(1000);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const gradientBase = useId().replace(/[^a-z0-9]/gi, '');
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setRoomPx(element.clientWidth));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const minuteMs = nowMs === null ? null : Math.floor(nowMs / 60_000) * 60_000;
  const picture = useMemo(
    () => warpLayout(plan, { opened, nowMs: minuteMs, roomPx, print, ...(actual ? { actual } : {}) }),
    [plan, opened, minuteMs, roomPx, print, actual],
  );
  const toggle = (key: string) =>
    setOpened((had) => {
      const next = new Set(had);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling picture must be reachable by keyboard
    <section className="frame" ref={frame} aria-label={`Warp of ${plan.name}`} tabIndex={0}>
      <svg className="warp" fill="var(--ink)" width={picture.widthPx} height={picture.heightPx} aria-label="Vessels side by side, time down the page">
        <StitchDefs />
        <defs>
          {picture.threads.flatMap((thread) =>
            thread.inside.map((part) => (
              <linearGradient key={part.key} id={`${gradientBase}${part.key}`} gradientUnits="userSpaceOnUse" x1="0" x2="0" y1={part.fromPx} y2={part.toPx}>
                <stop offset="0.15" stopColor={part.fromHex} />
                <stop offset="0.9" stopColor={part.toHex} />
              </linearGradient>
            )),
          )}
        </defs>
        {picture.bands.map((band) => (
          <rect key={band.yPx} fill="var(--band)" x={AXIS_PX} y={band.yPx} width={picture.widthPx - AXIS_PX} height={band.heightPx} />
        ))}
        {picture.columns.map((column) => (
          <g key={column.id}>
            <line stroke="var(--line)" x1={column.xPx} x2={column.xPx} y1={12} y2={picture.heightPx} />
            <text fontSize="var(--t2)" fontWeight={700} x={column.xPx + 10} y={24}>
              {column.name}
            </text>
            <text fill="var(--ink-2)" x={column.xPx + 10} y={42}>
              {column.detail}
            </text>
          </g>
        ))}
        {picture.hours.map((hour) => (
          <g key={hour.yPx}>
            <line stroke="var(--line)" strokeDasharray="1 5" x1={AXIS_PX} x2={picture.widthPx} y1={hour.yPx} y2={hour.yPx} />
            <text className="figure" fill={hour.isNewDay ? 'var(--ink)' : 'var(--ink-2)'} x={AXIS_PX - 10} y={hour.textYPx} textAnchor="end">
              {hour.text}
            </text>
          </g>
        ))}
        {picture.threads.map((thread) =>
          thread.between.map((part) => <Yarn key={`${thread.lotId}${part.points[0]}`} path={threadPath(part.points)} stroke={part.hex} />),
        )}
        {picture.pleats.map((pleat) => (
          // biome-ignore lint/a11y/useSemanticElements: there is no button element inside SVG
          <g
            key={pleat.key}
            role="button"
            tabIndex={0}
            aria-expanded={pleat.opened}
            aria-label={`${pleat.text}. ${pleat.opened ? 'Fold' : 'Open'}`}
            cursor="pointer"
            onClick={() => toggle(pleat.key)}
            onKeyDown={onPress(() => toggle(pleat.key))}
          >
            <rect fill="var(--pleat)" x={0} y={pleat.yPx + 3} width={picture.widthPx} height={Math.max(10, pleat.heightPx - 6)} />
            {pleat.opened
              ? null
              : [0.25, 0.5, 0.75].map((share) => (
                  <line
                    key={share}
                    stroke="var(--panel)"
                    strokeDasharray="10 3"
                    opacity={0.55}
                    x1={AXIS_PX}
                    x2={picture.widthPx}
                    y1={pleat.yPx + pleat.heightPx * share}
                    y2={pleat.yPx + pleat.heightPx * share}
                  />
                ))}
            <text x={12} y={pleat.yPx + 21} fontWeight={700} paintOrder="stroke" stroke="var(--pleat)" strokeWidth={5}>
              {pleat.text}
            </text>
          </g>
        ))}
        {picture.blocks.map((block) => (
          <Block key={block.stepId} block={block} chosen={block.stepId === chosenStepId} onChoose={onChoose} />
        ))}
        {picture.threads.map((thread) => (
          <g key={thread.lotId}>
            {thread.inside.map((part) => (
              <Yarn
                key={part.key}
                path={`M${part.xPx} ${part.fromPx + 2}V${part.toPx - 2}`}
                stroke={part.fromHex === part.toHex ? part.toHex : `url(#${gradientBase}${part.key})`}
              />
            ))}
            {thread.tag ? (
              <g fontWeight={700}>
                <title>{thread.names.join(', ')}</title>
                <rect fill="var(--ink)" x={thread.tag[0] - 8} y={thread.tag[1] - 9} width={16} height={17} rx={3} />
                <text fill="var(--card)" x={thread.tag[0]} y={thread.tag[1] + 4} textAnchor="middle">
                  {thread.letter}
                </text>
              </g>
            ) : null}
          </g>
        ))}
        {picture.nowYPx === null ? null : (
          <g>
            <line stroke="var(--ink)" strokeWidth={1.6} x1={AXIS_PX - 6} x2={picture.widthPx} y1={picture.nowYPx} y2={picture.nowYPx} />
            <text x={6} y={picture.nowYPx + 5}>
              now
            </text>
          </g>
        )}
        <line stroke="var(--line)" x1={0} x2={picture.widthPx} y1={HEAD_PX - 14} y2={HEAD_PX - 14} />
      </svg>
      <ul className="line warp-lots" aria-label="Lots">
        {picture.threads.map((thread) => (
          <li key={thread.lotId}>
            <span className="letter">{thread.letter}</span> {thread.names.length > 1 ? `${countText(thread.names.length, 'lot')}: ` : ''}
            {thread.names.join(', ')}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Enter and space press what is drawn, as they press a button. */
const onPress = (press: () => void) => (event: KeyboardEvent) => {
  if (event.key !== 'Enter' && event.key !== ' ') return;
  event.preventDefault();
  press();
};

/** A thread with its halo, and a fine edge so that pale yarn shows on pale ground. */
const Yarn = ({ path, stroke }: { path: string; stroke: string }) => (
  <g fill="none" strokeLinecap="round">
    <path d={path} stroke="var(--panel)" strokeWidth={10} />
    <path d={path} stroke="var(--ink-2)" strokeWidth={6.6} />
    <path d={path} stroke={stroke} strokeWidth={5} />
  </g>
);

function Block({ block, chosen, onChoose }: { block: WarpBlock; chosen: boolean; onChoose: ((stepId: string) => void) | undefined }) {
  const clip = `clip-${block.stepId.replace(/[^a-z0-9]/gi, '')}`;
  const choose = () => onChoose?.(block.stepId);
  return (
    // biome-ignore lint/a11y/useSemanticElements: there is no button element inside SVG
    <g role="button" tabIndex={0} cursor="pointer" onClick={choose} aria-label={`${block.title}. ${block.lines.join('. ')}`} onKeyDown={onPress(choose)}>
      {block.plannedYPx ? (
        <rect
          fill="none"
          stroke="var(--ink-2)"
          strokeWidth={1.3}
          strokeDasharray="5 4"
          x={block.xPx - 4}
          y={block.plannedYPx.yPx}
          width={block.widthPx + 8}
          height={block.plannedYPx.heightPx}
          rx={6}
        />
      ) : null}
      <rect
        fill="var(--card)"
        stroke="var(--ink)"
        strokeWidth={chosen ? 3 : 1.2}
        x={block.xPx}
        y={block.yPx}
        width={block.widthPx}
        height={block.heightPx}
        rx={6}
      />
      <clipPath id={clip}>
        <rect x={block.xPx} y={block.yPx} width={block.textWidthPx + 30} height={block.heightPx} rx={6} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <rect x={block.xPx + 1} y={block.yPx + 1} width={15} height={block.heightPx - 2} fill={`url(#stitch-${block.kind})`}>
          <title>{STITCH_NAMES[block.kind]}</title>
        </rect>
        <line stroke="var(--line-strong)" x1={block.xPx + 17} x2={block.xPx + 17} y1={block.yPx} y2={block.yPx + block.heightPx} />
        {block.titleLines.map((line, i) => (
          <text key={line} fontSize="var(--t2)" fontWeight={700} x={block.xPx + 24} y={block.yPx + 17 + i * 17}>
            {line}
          </text>
        ))}
        {block.lines.map((line, i) => (
          <text key={line} fill="var(--ink-2)" x={block.xPx + 24} y={block.yPx + 17 * (1 + block.titleLines.length) + i * 16}>
            {line}
          </text>
        ))}
      </g>
      {block.heat.map((heat) => (
        <rect key={heat.yPx} fill="var(--ink)" x={block.xPx - 6} y={heat.yPx} width={5} height={heat.heightPx}>
          <title>heat on</title>
        </rect>
      ))}
      {block.handsYPx.map((y) => (
        <g key={y} transform={`translate(${block.xPx + block.widthPx - 8} ${y - 8})`}>
          <title>hands needed</title>
          <HandMark size={17} />
        </g>
      ))}
    </g>
  );
}
