'use client';
import { fibreServed, plantForRatio, plantToFibre } from '@/core/dose/dose';
import { fairShare, freshForDried, plantsNeeded } from '@/core/dose/harvest';
import { printNumber } from '@/core/measure/print';
import type { Book } from '../api/useBook';
import { knownReader, massReader } from '../form/typed';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { Answer, Ask, Choose, Result } from './parts';
import { above0, asked, plain } from './read';
import type { Address } from './useAddress';

/** How much plant for the fibre, how much fibre for the plant at hand, and what a stand may give. */
export function HarvestTool({ address, book }: { address: Address; book: Book }) {
  const print = usePrint();
  const mass = above0(massReader(print.measures));
  const known = above0(knownReader('g', print.measures));
  const stuff = book.shelf.dyestuff(address.get('plant', 'weld'));
  const form = address.get('form', 'fresh') === 'dried' ? 'dried' : 'fresh';
  const usual = stuff?.ratio[form];
  const ratio = asked(address, 'ratio', usual === undefined ? '' : String(usual), plain());
  const dry = asked(address, 'fibre', '100 g', known);
  const hand = asked(address, 'hand', '', known);
  const stand = asked(address, 'stand', '', plain());
  const each = asked(address, 'each', '', mass);
  const needed = plantForRatio(dry.value, ratio.value);
  const served = fibreServed(hand.value, ratio.value);
  const own = address.get('own', 'wild') === 'own';
  const share = stand.value === null ? null : fairShare(Math.floor(stand.value), own);
  const plants = plantsNeeded(needed.result, each.value);
  const [fresh, dried] = [stuff?.ratio.fresh, stuff?.ratio.dried];
  return (
    <>
      <div className="fields">
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
          {...ratio.field}
          label="Plant to fibre, : 1"
          hint={usual === undefined ? 'No fixed ratio in use for this form: yours, or unknown.' : `Usually ${usual} : 1 ${form}.`}
        />
        <Ask {...dry.field} label="Dry fibre" />
        <Ask {...hand.field} label="Plant at hand" hint="such as 110 g, 100–200 g" />
      </div>
      <Result what="Plant needed" working={needed} print={print.mass} />
      {hand.value === null ? null : (
        <Result what="What you have to the fibre" working={plantToFibre(hand.value, dry.value)} print={(n) => `${printNumber(n)} : 1`} />
      )}
      {hand.value === null ? null : <Result what="What you have serves" working={served} print={(g) => `${print.mass(g)} of fibre`} />}
      {form === 'dried' && fresh !== undefined && dried !== undefined && needed.result !== null ? (
        <Answer what="The same fresh would be">{print.mass(freshForDried(needed.result, fresh, dried))}</Answer>
      ) : null}
      <h2 className="head-plain">Gathering</h2>
      <div className="fields">
        <Ask {...stand.field} label="Plants in the stand" hint="such as 400" />
        <Ask {...each.field} label="One plant gives" hint="such as 30 g" />
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
        <Answer what={own ? 'Your own bed: after pollinators had theirs' : 'Fair share, 5–10 %'}>
          {share.none ?? (own ? `as many as you like of ${share.most} plants` : `${share.fewest}–${share.most} plants`)}
        </Answer>
      ) : null}
      {share && !own && plants.result !== null && plants.result > share.most ? (
        <Caution
          severity="caution"
          text="that is more than this stand may give. Take a little from many, ask whose land it is, and check what is protected there."
        />
      ) : null}
    </>
  );
}
