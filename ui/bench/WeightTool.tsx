'use client';
import { COUNT_LABEL, COUNT_SYSTEMS, clothWeight, toTex, yarnLengthM, yarnWeight } from '@/core/fibre/weight';
import { printMass, printNumber } from '@/core/measure/print';
import { Answer, Ask, Choose, Result } from './parts';
import { readPlain, readQuantity } from './read';
import type { Address } from './useAddress';

/** Weight of cloth by its size, of yarn by its count. */
export function WeightTool({ address }: { address: Address }) {
  const width = readQuantity(address.get('width', '20 cm'), 'length', 'cm');
  const length = readQuantity(address.get('length', '20 cm'), 'length', 'cm');
  const pieces = readPlain(address.get('pieces', '1'));
  const gsm = readQuantity(address.get('gsm', '200 g/m2'), 'arealMass', 'gPerM2');
  const system = COUNT_SYSTEMS.find((one) => one === address.get('system', 'mPer100g')) ?? 'mPer100g';
  const count = readPlain(address.get('count', '400'));
  const plies = readPlain(address.get('plies', '1'));
  const metres = readQuantity(address.get('yarn', '800 m'), 'length', 'm');
  const grams = readQuantity(address.get('yarnG', ''), 'mass', 'g');
  const tex = count.value === null || count.value === 0 ? null : toTex({ system, value: count.value, plies: plies.value ?? 1 });
  return (
    <>
      <h2>Cloth</h2>
      <div className="params">
        <Ask address={address} name="width" label="Width" otherwise="20 cm" problem={width.problem} hint="cm, in, yd" />
        <Ask address={address} name="length" label="Length" otherwise="20 cm" problem={length.problem} />
        <Ask address={address} name="pieces" label="Pieces" otherwise="1" problem={pieces.problem} />
        <Ask address={address} name="gsm" label="Mass per area" otherwise="200 g/m2" problem={gsm.problem} hint="g/m², oz/yd²" />
      </div>
      <Result what="Weighs" working={clothWeight(width.value, length.value, pieces.value ?? 1, gsm.value)} print={printMass} />
      <h2>Yarn</h2>
      <div className="params">
        <Choose
          address={address}
          name="system"
          label="Count"
          otherwise="mPer100g"
          options={COUNT_SYSTEMS.map((value) => ({ value, label: COUNT_LABEL[value] }))}
        />
        <Ask address={address} name="count" label="Its number" otherwise="400" problem={count.problem} />
        <Ask address={address} name="plies" label="Plies" otherwise="1" problem={plies.problem} />
        <Ask address={address} name="yarn" label="Length" otherwise="800 m" problem={metres.problem} hint="m, yd" />
        <Ask address={address} name="yarnG" label="Or weight" otherwise="" problem={grams.problem} />
      </div>
      {tex === null ? null : <Answer what="This yarn is">{printNumber(tex)} tex</Answer>}
      <Result what="Weighs" working={yarnWeight(metres.value, tex)} print={printMass} />
      {grams.value === null || tex === null ? null : <Answer what="That weight is">{printNumber(yarnLengthM(grams.value, tex))} m</Answer>}
    </>
  );
}
