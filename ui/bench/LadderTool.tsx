'use client';
import { partsOf } from '@/core/dose/dose';
import { dilutedTo, halvingLadder, mixFromStock } from '@/core/dose/solutions';
import { printMass, printNumber, printVolume } from '@/core/measure/print';
import { Answer, Ask, Result } from './parts';
import { readPlain, readQuantity } from './read';
import type { Address } from './useAddress';

/** A ladder by halving, the same from stock, parts by volume, and what topping up does. */
export function LadderTool({ address }: { address: Address }) {
  const start = readQuantity(address.get('start', '100 mL'), 'volume', 'mL');
  const strength = readPlain(address.get('strength', '50'));
  const take = readQuantity(address.get('take', '50 mL'), 'volume', 'mL');
  const halvings = readPlain(address.get('halvings', '2'));
  const known = start.value !== null && strength.value !== null && take.value !== null && halvings.value !== null;
  const ladder = known
    ? halvingLadder({ startMl: start.value ?? 0, gPerL: strength.value ?? 0 }, take.value ?? 0, Math.min(12, Math.floor(halvings.value ?? 0)))
    : null;
  const each = readQuantity(address.get('each', '100 mL'), 'volume', 'mL');
  const mix = each.value !== null && ladder ? mixFromStock(ladder.rungs.map((rung) => ({ strengthPct: rung.strengthPct, volumeMl: each.value ?? 0 }))) : null;
  const total = readQuantity(address.get('total', '1 L'), 'volume', 'mL');
  const part = readPlain(address.get('part', '1'));
  const all = readPlain(address.get('rest', '3'));
  const allParts = (part.value ?? 0) + (all.value ?? 0);
  const had = readQuantity(address.get('had', ''), 'volume', 'mL');
  const added = readQuantity(address.get('added', ''), 'volume', 'mL');
  const dose = readPlain(address.get('dose', ''));
  return (
    <>
      <h2>By halving</h2>
      <div className="params">
        <Ask address={address} name="start" label="Full strength to begin with" otherwise="100 mL" problem={start.problem} />
        <Ask address={address} name="strength" label="Its strength, g/L" otherwise="50" problem={strength.problem} />
        <Ask address={address} name="take" label="Take each time" otherwise="50 mL" problem={take.problem} hint="and as much thinner" />
        <Ask address={address} name="halvings" label="Halvings" otherwise="2" problem={halvings.problem} />
      </div>
      {ladder ? (
        <>
          <table className="figures">
            <thead>
              <tr>
                <th scope="col">Strength</th>
                <th scope="col">g/L</th>
                <th scope="col">Left</th>
                <th scope="col">Holds</th>
              </tr>
            </thead>
            <tbody>
              {ladder.rungs.map((rung) => (
                <tr key={rung.strengthPct}>
                  <th scope="row">{printNumber(rung.strengthPct)} %</th>
                  <td className="figure">{printNumber(rung.gPerL)}</td>
                  <td className="figure">{printVolume(rung.leftMl)}</td>
                  <td className="figure">{printMass(rung.soluteG)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Answer what="Thinner in all, the start included">{printVolume(ladder.thinnerMl)}</Answer>
        </>
      ) : known ? (
        <p className="field-error" role="alert">
          A rung holds less than is to be taken. Begin with more, or take less.
        </p>
      ) : null}
      <h2>The same strengths straight from the stock</h2>
      <div className="params">
        <Ask address={address} name="each" label="So much of each" otherwise="100 mL" problem={each.problem} />
      </div>
      {mix ? (
        <Answer what="Stock and thinner">
          {printVolume(mix.stockMl)} + {printVolume(mix.thinnerMl)}
        </Answer>
      ) : null}
      <h2>Parts by volume</h2>
      <div className="params">
        <Ask address={address} name="total" label="In all" otherwise="1 L" problem={total.problem} />
        <Ask address={address} name="part" label="Parts of this" otherwise="1" problem={part.problem} />
        <Ask address={address} name="rest" label="Parts of the other" otherwise="3" problem={all.problem} />
      </div>
      {allParts > 0 && part.value !== null && all.value !== null ? (
        <>
          <Result what="Of this" working={partsOf(total.value, part.value, allParts)} print={printVolume} />
          <Result what="Of the other" working={partsOf(total.value, all.value, allParts)} print={printVolume} />
        </>
      ) : null}
      <h2>Topping up thins</h2>
      <div className="params">
        <Ask address={address} name="dose" label="Strength before, g/L or %" otherwise="" problem={dose.problem} hint="such as 5" />
        <Ask address={address} name="had" label="In so much" otherwise="" problem={had.problem} hint="such as 1 L" />
        <Ask address={address} name="added" label="Plain water added" otherwise="" problem={added.problem} hint="such as 300 mL" />
      </div>
      {dose.value !== null && had.value !== null && added.value !== null ? (
        <Answer what="Strength after">{printNumber(dilutedTo(dose.value, had.value, added.value))}, in the same unit</Answer>
      ) : null}
    </>
  );
}
