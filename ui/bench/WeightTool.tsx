'use client';
import { COUNT_LABEL, COUNT_SYSTEMS, clothWeight, toTex, yarnLengthM, yarnWeight } from '@/core/fibre/weight';
import { printNumber } from '@/core/measure/print';
import { massReader, quantityReader } from '../form/typed';
import { usePrint } from '../shell/facts';
import { Answer, Ask, Choose, Result } from './parts';
import { above0, asked, plain } from './read';
import type { Address } from './useAddress';

/** Weight of cloth by its size, of yarn by its count. */
export function WeightTool({ address }: { address: Address }) {
  const print = usePrint();
  const length = (unit: 'cm' | 'm') => above0(quantityReader('length', unit, print.measures));
  const width = asked(address, 'width', '20 cm', length('cm'));
  const long = asked(address, 'length', '20 cm', length('cm'));
  const pieces = asked(address, 'pieces', '1', plain());
  const gsm = asked(address, 'gsm', '200 g/m2', above0(quantityReader('arealMass', 'gPerM2', print.measures)));
  const system = COUNT_SYSTEMS.find((one) => one === address.get('system', 'mPer100g')) ?? 'mPer100g';
  const count = asked(address, 'count', '400', plain());
  const plies = asked(address, 'plies', '1', plain());
  const metres = asked(address, 'yarn', '800 m', length('m'));
  const grams = asked(address, 'yarnG', '', above0(massReader(print.measures)));
  const tex = count.value === null || count.value === 0 ? null : toTex({ system, value: count.value, plies: plies.value ?? 1 });
  return (
    <>
      <h2 className="head-plain">Cloth</h2>
      <div className="fields">
        <Ask {...width.field} label="Width" hint="cm, in, yd" />
        <Ask {...long.field} label="Length" />
        <Ask {...pieces.field} label="Pieces" />
        <Ask {...gsm.field} label="Mass per area" hint="g/m², oz/yd²" />
      </div>
      <Result what="Weighs" working={clothWeight(width.value, long.value, pieces.value ?? 1, gsm.value)} print={print.mass} />
      <h2 className="head-plain">Yarn</h2>
      <div className="fields">
        <Choose
          address={address}
          name="system"
          label="Count"
          otherwise="mPer100g"
          options={COUNT_SYSTEMS.map((value) => ({ value, label: COUNT_LABEL[value] }))}
        />
        <Ask {...count.field} label="Its number" />
        <Ask {...plies.field} label="Plies" />
        <Ask {...metres.field} label="Length" hint="m, yd" />
        <Ask {...grams.field} label="Or weight" />
      </div>
      {tex === null ? null : <Answer what="This yarn is">{printNumber(tex)} tex</Answer>}
      <Result what="Weighs" working={yarnWeight(metres.value, tex)} print={print.mass} />
      {grams.value === null || tex === null ? null : <Answer what="That weight is">{printNumber(yarnLengthM(grams.value, tex))} m</Answer>}
    </>
  );
}
