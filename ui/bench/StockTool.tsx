'use client';
import { substitutionG } from '@/core/chem/molarMass';
import { stockSolution, stockText, stockVolume, weighsWell } from '@/core/dose/solutions';
import { FORMS } from '@/core/shelf/forms';
import type { Book } from '../api/useBook';
import { massReader } from '../form/typed';
import { usePrint } from '../shell/facts';
import { Answer, Ask, Choose, Result } from './parts';
import { above0, asked, plain } from './read';
import type { Address } from './useAddress';

/** Small weights by volume, and one form of a salt for another. */
export function StockTool({ address, book }: { address: Address; book: Book }) {
  const print = usePrint();
  const grams = above0(massReader(print.measures));
  const mass = asked(address, 'mass', '0.66 g', grams);
  const scale = asked(address, 'scale', '1 g', grams);
  const pct = asked(address, 'pct', '', plain());
  const soda = asked(address, 'soda', '', grams);
  const stock = mass.value !== null && scale.value !== null ? stockSolution(mass.value, scale.value) : null;
  const withForms = book.assistants.filter((one) => (FORMS[one.id]?.length ?? 0) > 1);
  const salt = address.get('salt', 'ironSulfate');
  const forms = FORMS[salt] ?? [];
  const form = forms.find((one) => one.id === address.get('form', '')) ?? forms[1] ?? forms[0];
  return (
    <>
      <div className="fields">
        <Ask {...mass.field} label="You need" />
        <Ask {...scale.field} label="Your scale reads to" />
        <Ask {...pct.field} label="A stock you have, %" hint="g per 100 mL" />
      </div>
      {stock && mass.value !== null && scale.value !== null ? (
        <>
          <Answer what="Measure">
            {print.volume(stock.measureMl)} of a {stock.wvPct} % stock
          </Answer>
          <p>{print.says(stockText(mass.value, scale.value, stock))}</p>
        </>
      ) : mass.value !== null && scale.value !== null && weighsWell(mass.value, scale.value) ? (
        <Answer what="This scale">weighs it well enough</Answer>
      ) : null}
      {pct.value === null || pct.value === 0 ? null : <Result what="Of your stock" working={stockVolume(mass.value, pct.value)} print={print.volume} />}
      <h2 className="head-plain">Another form on the label</h2>
      <div className="fields">
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
        <Answer what={`Instead of ${print.mass(mass.value)} of the usual form`}>{print.mass(mass.value * form.factor)}</Answer>
      ) : null}
      <h2 className="head-plain">Soda ash and washing soda</h2>
      <div className="fields">
        <Ask {...soda.field} label="Soda ash" hint="such as 10 g" />
      </div>
      {soda.value === null ? null : <Answer what="As washing soda crystals">{print.mass(substitutionG(soda.value, 'Na2CO3', 'Na2CO3·10H2O'))}</Answer>}
    </>
  );
}
