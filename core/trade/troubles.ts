/** What goes wrong, why, and what people do (trade handbook section 18; common practice, no source). */
export interface Trouble {
  readonly symptom: string;
  readonly cause: string;
  readonly remedy: string;
  /** The method that mends it, when there is one. */
  readonly methodId: string | null;
}

const row = (symptom: string, cause: string, remedy: string, methodId: string | null = null): Trouble => ({ symptom, cause, remedy, methodId });

export const TROUBLES: readonly Trouble[] = [
  row('Yarn stays white beside a coloured one', 'not mordanted', 'Lift all; mordant 60–90 min; back in.', 'alum-rescue'),
  row('Nothing takes, a hot hour gone', 'pH 12 or more', 'Check the pH; restart with less; use an after-bath.', 'mod-alkali-after'),
  row('Mottled', 'size left in, folded, too fast', 'Scour, heat slowly, open the folds.', 'scour-size'),
  row('Blotches wanted but level', 'too much liquid, slow strike', 'Less water, press, a second bag.', 'tea-blotch'),
  row('Lighter when dry', 'normal', 'Aim several shades darker.'),
  row('Colour differs from last time', 'new amount, refreshed bath, season', 'Log it; do all goods at once.'),
  row('Madder turns brown, not red', 'over 65.6 °C', 'Keep under the ceiling; set the alarm.', 'extract-root'),
  row('Browned tannin', 'boiled', 'Simmer.', 'tannin-simmer'),
  row('White spots in a skein', 'twisted or banded', 'Untwist, bands off, before it is wet.'),
  row('Bits in yarn', 'plant loose', 'Shake out when dry; bag it next time.', 'bag-in'),
  row('Dark spots', 'plant touching', 'Accept, or bag the plant.', 'bag-in'),
  row('Paste strengths look alike', 'strong dip, or alum ground', 'A weak dip, wider steps.', 'iron-paste'),
  row('Print brown, not black', 'pre-dye too light', 'Dip again in tannin.', 'tannin-gall'),
  row('Fibre weak', 'iron too long', 'Three minutes; rinse.', 'iron-dip'),
  row('Alum wool goes dark', 'iron in the same soak', 'Separate soaks.'),
  row('Mould', 'damp store', 'Unwind, dry, spread; bin it outdoors if it smells.'),
  row('pH dip does nothing', 'the bath was there already', 'Measure first; use a bath of plain water.', 'mod-acid-after'),
  row('Blank patch on a print', 'sticker, fold', 'Look the peelings over.', 'bundle-steam'),
  row('°C and °F do not agree', '80 °C is 176 °F, not 160', 'Convert; type both and the clash is pointed out.'),
  row('Short on bands', 'counted points, not ties', 'Points × ties.', 'resist-tie'),
  row('Tray colour uneven', 'the table tilts', 'Level it.', 'tea-even'),
  row('Wool felts', 'sudden heat, hard stirring', 'Slow ramps, gentle turns.', 'dyebath'),
];
