import type { Band } from './band';
import { type BathNow, doseFor, forecast, isOddStrip, type Learnt, learnBuffer, type PhForecast, phCurve } from './forecast';
import { isLiquid, strengthBand } from './freed';

/** What somebody at the pot wants to know of a pH. */
export interface PhQuestion {
  readonly substance: string;
  /** g per 100 mL as the label says; null: as it is mostly sold. Of liquids only. */
  readonly strengthPct: number | null;
  /** Weight of the powder on the shelf that does what one of the recipe’s form does; 1 for liquids. */
  readonly formFactor: number;
  readonly volumeMl: Band;
  readonly alkalinityMgL: Band;
  /** Of the tap; missing: any tap's. */
  readonly tapPh?: Band | undefined;
  readonly tempC: number;
  /** A strip in the bath as it is. */
  readonly nowPh: number | null;
  /** g or mL that are thought of. */
  readonly amount: Band | null;
  readonly targetPh: number | null;
  /** What went in after that strip, and what the next strip said. */
  readonly put: Band | null;
  readonly thenPh: number | null;
}

export interface PhAnswer {
  readonly next: PhForecast | null;
  readonly dose: ReturnType<typeof doseFor> | null;
  /** What the sum had expected of what was put in, beside what the strip said. */
  readonly taught: { readonly expected: PhForecast; readonly phAfter: number; readonly isOdd: boolean } | null;
  readonly curve: readonly { readonly amount: number; readonly ph: number }[];
}

/** A litre’s worth of the curve where nothing was asked: mL, g. */
const USUAL_PER_L = { liquid: 25, powder: 2.5 };

const scaled = (band: Band, by: number): Band => ({ low: band.low * by, likely: band.likely * by, high: band.high * by });

/** Everything at once, in the form that is on the shelf. From where the last strip stands, with what it taught of the bath. */
export function askPh({ formFactor, ...question }: PhQuestion): PhAnswer {
  const { amount, put } = question;
  const { dose, curve, ...rest } = askInRecipesForm({
    ...question,
    amount: amount && scaled(amount, 1 / formFactor),
    put: put && scaled(put, 1 / formFactor),
  });
  return {
    ...rest,
    dose: dose?.ok ? { ok: true, amount: scaled(dose.amount, formFactor) } : dose,
    curve: curve.map((point) => ({ ...point, amount: point.amount * formFactor })),
  };
}

function askInRecipesForm({
  substance,
  strengthPct,
  volumeMl,
  alkalinityMgL,
  tapPh,
  tempC,
  nowPh,
  amount,
  targetPh,
  put,
  thenPh,
}: Omit<PhQuestion, 'formFactor'>): PhAnswer {
  const what = { substance, strengthPct: strengthBand(substance, strengthPct) };
  const first: BathNow = { volumeMl, alkalinityMgL, tapPh, tempC, measuredPh: nowPh, buffer: [] };
  const learnt: Learnt | null =
    put && nowPh !== null && thenPh !== null
      ? { phBefore: nowPh, phAfter: thenPh, added: [{ substance, amount: put.likely, strengthPct: what.strengthPct.likely }] }
      : null;
  const expected = learnt && put ? forecast(first, [{ ...what, amount: put }]) : null;
  const stood = forecast(first, []);
  const isOdd = expected?.ok === true && stood.ok && learnt !== null && isOddStrip(stood.ph, expected.ph, learnt.phAfter);
  // A strip that the sum questions teaches nothing: the bath is only taken to stand where it says.
  const bath: BathNow = learnt ? { ...first, measuredPh: learnt.phAfter, buffer: isOdd ? [] : learnBuffer(first, [learnt]) } : first;
  const dose = targetPh === null ? null : doseFor(bath, what, targetPh);
  const shown = Math.max(amount?.high ?? 0, dose?.ok ? dose.amount.high : 0) * 1.3;
  const most = shown > 0 ? shown : (volumeMl.likely / 1000) * (isLiquid(substance) ? USUAL_PER_L.liquid : USUAL_PER_L.powder);
  return {
    next: amount ? forecast(bath, [{ ...what, amount }]) : null,
    dose,
    taught: learnt && expected ? { expected, phAfter: learnt.phAfter, isOdd } : null,
    curve: phCurve(bath, what, most),
  };
}
