'use client';
import { Table } from 'antd';
import { partsOf } from '@/core/dose/dose';
import { dilutedTo, halvingLadder, ladderHolds, mixFromStock } from '@/core/dose/solutions';
import { printNumber } from '@/core/measure/print';
import { volumeReader } from '../form/typed';
import { usePrint } from '../shell/facts';
import { Answer, Ask, Result } from './parts';
import { above0, asked, plain } from './read';
import type { Address } from './useAddress';

/** A ladder by halving, the same from stock, parts by volume, and what topping up does. */
export function LadderTool({ address }: { address: Address }) {
  const print = usePrint();
  const volume = above0(volumeReader(print.measures));
  const start = asked(address, 'start', '100 mL', volume);
  const strength = asked(address, 'strength', '50', plain());
  const second = asked(address, 'second', '', plain());
  const take = asked(address, 'take', '50 mL', volume);
  const halvings = asked(address, 'halvings', '2', plain(0, 12));
  const known = start.value !== null && strength.value !== null && take.value !== null && halvings.value !== null;
  const ladder = known ? halvingLadder({ startMl: start.value ?? 0, gPerL: strength.value ?? 0 }, take.value ?? 0, Math.floor(halvings.value ?? 0)) : null;
  // The second goes along with the first, in its own proportion.
  const grams = (g: number) => `${print.mass(g)}${second.value === null || !strength.value ? '' : ` + ${print.mass((g * second.value) / strength.value)}`}`;
  const each = asked(address, 'each', '100 mL', volume);
  const mix = each.value !== null && ladder ? mixFromStock(ladder.rungs.map((rung) => ({ strengthPct: rung.strengthPct, volumeMl: each.value ?? 0 }))) : null;
  const total = asked(address, 'total', '1 L', volume);
  const part = asked(address, 'part', '1', plain());
  const rest = asked(address, 'rest', '3', plain());
  const allParts = (part.value ?? 0) + (rest.value ?? 0);
  const had = asked(address, 'had', '', volume);
  const added = asked(address, 'added', '', volume);
  const dose = asked(address, 'dose', '', plain());
  return (
    <>
      <h2 className="head-plain">By halving</h2>
      <div className="fields">
        <Ask {...start.field} label="Full strength to begin with" />
        <Ask {...strength.field} label="Its strength, g/L" />
        <Ask {...second.field} label="Something beside it, g/L" hint="such as lime, 25" />
        <Ask {...take.field} label="Take each time" hint="and as much thinner" />
        <Ask {...halvings.field} label="Halvings" />
      </div>
      {ladder ? (
        <>
          <div className="frame figures">
            <Table
              size="small"
              pagination={false}
              rowKey="strengthPct"
              dataSource={[...ladder.rungs]}
              columns={[
                { title: 'Strength', dataIndex: 'strengthPct', rowScope: 'row', render: (pct: number) => `${printNumber(pct)} %` },
                { title: 'g/L', dataIndex: 'gPerL', className: 'figure', render: printNumber },
                { title: 'Left', dataIndex: 'leftMl', className: 'figure', render: print.volume },
                { title: 'Holds', dataIndex: 'soluteG', className: 'figure', render: grams },
              ]}
            />
          </div>
          <Answer what="Thinner in all, the start included">{print.volume(ladder.thinnerMl)}</Answer>
          <Answer what="The rungs hold together">{grams(ladderHolds(ladder))}</Answer>
        </>
      ) : known ? (
        <p className="fault" role="alert">
          A rung holds less than is to be taken. Begin with more, or take less.
        </p>
      ) : null}
      <h2 className="head-plain">The same strengths straight from the stock</h2>
      <div className="fields">
        <Ask {...each.field} label="So much of each" />
      </div>
      {mix ? (
        <Answer what="Stock and thinner">
          {print.volume(mix.stockMl)} + {print.volume(mix.thinnerMl)}: {grams((mix.stockMl * (strength.value ?? 0)) / 1000)} in it
        </Answer>
      ) : null}
      <h2 className="head-plain">Parts by volume</h2>
      <div className="fields">
        <Ask {...total.field} label="In all" />
        <Ask {...part.field} label="Parts of this" />
        <Ask {...rest.field} label="Parts of the other" />
      </div>
      {allParts > 0 && part.value !== null && rest.value !== null ? (
        <>
          <Result what="Of this" working={partsOf(total.value, part.value, allParts)} print={print.volume} />
          <Result what="Of the other" working={partsOf(total.value, rest.value, allParts)} print={print.volume} />
        </>
      ) : null}
      <h2 className="head-plain">Topping up thins</h2>
      <div className="fields">
        <Ask {...dose.field} label="Strength before, g/L or %" hint="such as 5" />
        <Ask {...had.field} label="In so much" hint="such as 1 L" />
        <Ask {...added.field} label="Plain water added" hint="such as 300 mL" />
      </div>
      {dose.value !== null && had.value !== null && added.value !== null ? (
        <Answer what="Strength after">{printNumber(dilutedTo(dose.value, had.value, added.value))}, in the same unit</Answer>
      ) : null}
    </>
  );
}
