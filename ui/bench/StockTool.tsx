'use client';
import { substitutionG } from '@/core/chem/molarMass';
import { stockSolution, stockText, stockVolume, weighsWell } from '@/core/dose/solutions';
import { printMass, printVolume } from '@/core/measure/print';
import { FORMS } from '@/core/shelf/forms';
import type { Book } from '../api/useBook';
import { Answer, Ask, Choose, Result } from './parts';
import { readPlain, readQuantity } from './read';
import type { Address } from './useAddress';

/** Small weights by volume, and one form of a salt for another. */
export function StockTool({ address, book }: { address: Address; book: Book }) {
  const mass = readQuantity(address.get('mass', '0.66 g'), 'mass', 'g');
  const scale = readQuantity(address.get('scale', '1 g'), 'mass', 'g');
  const pct = readPlain(address.get('pct', ''));
  const stock = mass.value !== null && scale.value !== null ? stockSolution(mass.value, scale.value) : null;
  const withForms = book.assistants.filter((one) => (FORMS[one.id]?.length ?? 0) > 1);
  const salt = address.get('salt', 'ironSulfate');
  const forms = FORMS[salt] ?? [];
  const form = forms.find((one) => one.id === address.get('form', '')) ?? forms[1] ?? forms[0];
  const soda = readQuantity(address.get('soda', ''), 'mass', 'g');
  return (
    <>
      <div className="params">
        <Ask address={address} name="mass" label="You need" otherwise="0.66 g" problem={mass.problem} />
        <Ask address={address} name="scale" label="Your scale reads to" otherwise="1 g" problem={scale.problem} />
        <Ask address={address} name="pct" label="A stock you have, %" otherwise="" problem={pct.problem} hint="g per 100 mL" />
      </div>
      {stock && mass.value !== null && scale.value !== null ? (
        <>
          <Answer what="Measure">
            {printVolume(stock.measureMl)} of a {stock.wvPct} % stock
          </Answer>
          <p>{stockText(mass.value, scale.value, stock)}</p>
        </>
      ) : mass.value !== null && scale.value !== null && weighsWell(mass.value, scale.value) ? (
        <Answer what="This scale">weighs it well enough</Answer>
      ) : null}
      {pct.value === null || pct.value === 0 ? null : <Result what="Of your stock" working={stockVolume(mass.value, pct.value)} print={printVolume} />}
      <h2>Another form on the label</h2>
      <div className="params">
        <Choose address={address} name="salt" label="Salt" otherwise="ironSulfate" options={withForms.map((one) => ({ value: one.id, label: one.name }))} />
        <Choose
          address={address}
          name="form"
          label="The label says"
          otherwise={form?.id ?? ''}
          options={forms.map((one) => ({ value: one.id, label: one.label }))}
        />
      </div>
      {form && mass.value !== null ? (
        <Answer what={`Instead of ${printMass(mass.value)} of the usual form`}>{printMass(mass.value * form.factor)}</Answer>
      ) : null}
      <h2>Soda ash and washing soda</h2>
      <div className="params">
        <Ask address={address} name="soda" label="Soda ash" otherwise="" problem={soda.problem} hint="such as 10 g" />
      </div>
      {soda.value === null ? null : <Answer what="As washing soda crystals">{printMass(substitutionG(soda.value, 'Na2CO3', 'Na2CO3·10H2O'))}</Answer>}
    </>
  );
}
