'use client';
import { fibreServed, plantForRatio } from '@/core/dose/dose';
import { fairShare, freshForDried, plantsNeeded } from '@/core/dose/harvest';
import { printMass, printNumber } from '@/core/measure/print';
import type { Book } from '../api/useBook';
import { Answer, Ask, Choose, Result } from './parts';
import { readPlain, readQuantity } from './read';
import type { Address } from './useAddress';

/** How much plant for the fibre, how much fibre for the plant at hand, and what a stand may give. */
export function HarvestTool({ address, book }: { address: Address; book: Book }) {
  const stuff = book.shelf.dyestuff(address.get('plant', 'weld'));
  const form = address.get('form', 'fresh') === 'dried' ? 'dried' : 'fresh';
  const usual = stuff?.ratio[form];
  const ratio = readPlain(address.get('ratio', usual === undefined ? '' : String(usual)));
  const dry = readQuantity(address.get('fibre', '100 g'), 'mass', 'g');
  const hand = readQuantity(address.get('hand', ''), 'mass', 'g');
  const stand = readPlain(address.get('stand', ''));
  const each = readQuantity(address.get('each', ''), 'mass', 'g');
  const needed = plantForRatio(dry.value, ratio.value);
  const served = fibreServed(hand.value, ratio.value);
  const own = address.get('own', 'wild') === 'own';
  const share = stand.value === null ? null : fairShare(Math.floor(stand.value), own);
  const plants = plantsNeeded(needed.result, each.value);
  const [fresh, dried] = [stuff?.ratio.fresh, stuff?.ratio.dried];
  return (
    <>
      <div className="params">
        <Choose
          address={address}
          name="plant"
          label="Dyestuff"
          otherwise="weld"
          options={book.dyestuffs.map((one) => ({ value: one.id, label: one.part ? `${one.name} (${one.part})` : one.name }))}
        />
        <Choose
          address={address}
          name="form"
          label="Form"
          otherwise="fresh"
          options={[
            { value: 'fresh', label: 'fresh' },
            { value: 'dried', label: 'dried' },
          ]}
        />
        <Ask
          address={address}
          name="ratio"
          label="Plant to fibre, : 1"
          otherwise={usual === undefined ? '' : String(usual)}
          problem={ratio.problem}
          hint={usual === undefined ? 'No fixed ratio in use for this form: yours, or unknown.' : `Usually ${usual} : 1 ${form}.`}
        />
        <Ask address={address} name="fibre" label="Dry fibre" otherwise="100 g" problem={dry.problem} />
        <Ask address={address} name="hand" label="Plant at hand" otherwise="" problem={hand.problem} hint="such as 110 g" />
      </div>
      <Result what="Plant needed" working={needed} print={printMass} />
      {hand.value === null ? null : <Result what="What you have serves" working={served} print={(g) => `${printMass(g)} of fibre`} />}
      {form === 'dried' && fresh !== undefined && dried !== undefined && needed.result !== null ? (
        <Answer what="The same fresh would be">{printMass(freshForDried(needed.result, fresh, dried))}</Answer>
      ) : null}
      <h2>Gathering</h2>
      <div className="params">
        <Ask address={address} name="stand" label="Plants in the stand" otherwise="" problem={stand.problem} hint="such as 400" />
        <Ask address={address} name="each" label="One plant gives" otherwise="" problem={each.problem} hint="such as 30 g" />
        <Choose
          address={address}
          name="own"
          label="Whose"
          otherwise="wild"
          options={[
            { value: 'wild', label: 'a wild stand' },
            { value: 'own', label: 'my own bed' },
          ]}
        />
      </div>
      {each.value === null ? null : <Result what="Plants to pick" working={plants} print={(n) => printNumber(n)} />}
      {share ? (
        <Answer what={own ? 'Your own bed: after pollinators had theirs' : 'Fair share, 5–10 %'}>{share.none ?? `${share.fewest}–${share.most} plants`}</Answer>
      ) : null}
      {share && !own && plants.result !== null && plants.result > share.most ? (
        <p className="finding finding-caution">
          <span>
            <strong>Care</strong>: that is more than this stand may give. Take a little from many, ask whose land it is, and check what is protected there.
          </span>
        </p>
      ) : null}
    </>
  );
}
