/** A step of a way of working; `nth`: for the first, second or third of the lots alone, where there are so many. */
export interface WayStep {
  readonly methodId: string;
  readonly nth?: 1 | 2 | 3;
}

/** How a whole day of work goes, as people name it: a plan begins with its steps and with nothing that must be left out. */
export interface Way {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly steps: readonly WayStep[];
}

const way = (id: string, name: string, about: string, ...steps: (string | WayStep)[]): Way => ({
  id,
  name,
  about,
  steps: steps.map((step) => (typeof step === 'string' ? { methodId: step } : step)),
});

/** Orders of work: trade handbook sections 3 to 16 (common practice, no source). */
export const WAYS: readonly Way[] = [
  way(
    'scour-to-dye',
    'Scour to dye, wool and silk',
    'Washed, mordanted, dyed in a strained bath, left in it over night.',
    'scour-protein',
    'alum-10',
    'extract-fresh',
    'strain',
    'dyebath',
    'rest-overnight',
    'rinse',
    'dry',
  ),
  way(
    'scour-to-dye-plant',
    'Scour to dye, plant fibre',
    'Scoured hard, tannin before the mordant, then the dyebath.',
    'scour-cellulose',
    'tannin-simmer',
    'al-acetate',
    'extract-dried',
    'strain',
    'dyebath',
    'rinse',
    'dry',
  ),
  way(
    'prepare-plant',
    'Prepare plant fibre for another day',
    'Scour, tannin, mordant; dyed when there is time.',
    'scour-cellulose',
    'tannin-simmer',
    'al-acetate',
    'dry',
  ),
  way('prepare-wool', 'Prepare wool or silk for another day', 'Scour and mordant; dyed when there is time.', 'scour-protein', 'alum-10', 'dry'),
  way('over', 'Dye what is mordanted, or over a colour', 'Wet out, extract, dye.', 'wet-out', 'extract-dried', 'strain', 'dyebath', 'rinse', 'dry'),
  way(
    'three-mordants',
    'Three mordants, one bath',
    'One lot bare, one alum, one iron; the same bath for all.',
    { methodId: 'no-mordant', nth: 1 },
    { methodId: 'alum-16', nth: 2 },
    { methodId: 'iron-mordant', nth: 3 },
    'extract-fresh',
    'strain',
    'dyebath',
    'rinse',
    'dry',
  ),
  way('one-pot', 'Plant and fibre in one pot', 'Extracted with the fibre in.', 'scour-protein', 'alum-10', 'extract-together', 'rinse', 'dry'),
  way('solar-jar', 'Solar jar', 'Days in the sun, no heat.', 'wet-out', 'solar-jar', 'dry'),
  way('jar-again', 'Second load in a kept jar', 'What is left in it, days in the sun again.', 'wet-out', 'jar-again', 'dry'),
  way('sun-tea', 'Sun tea', 'The sun draws it; the goods go in when it has turned.', 'wet-out', 'sun-tea', 'rinse', 'dry'),
  way('cold-soak', 'Cold soak', 'Drawn cold, dyed cold, over days.', 'wet-out', 'extract-cold', 'strain', 'cold-soak', 'rinse', 'dry'),
  way('bundle-steam', 'Steamed bundle', 'Plants laid on damp cloth, rolled, tied, steamed.', 'vinegar-presoak', 'bundle-steam', 'dry'),
  way('bundle-cold', 'Cold bundle', 'Rolled, kept damp for days.', 'vinegar-presoak', 'bundle-cold', 'dry'),
  way(
    'iron-paste',
    'Iron paste, then a tannin dip',
    'Painted or printed, dried, washed; the dip brings it out.',
    'iron-paste',
    'tannin-simmer',
    'rinse',
    'dry',
  ),
  way('tea', 'Tea dip', 'Any tea; minutes, no heat.', 'wet-out', 'tea-even', 'rinse', 'dry'),
  way('tea-cup', 'Tea in a cup, by microwave', 'A cup for each small piece.', 'wet-out', 'tea-microwave', 'rinse', 'dry'),
  way('plant-cup', 'Plants in cups, by microwave', 'A cup for each small piece; try several plants at once.', 'wet-out', 'plant-microwave', 'rinse', 'dry'),
  way('low-immersion', 'Low immersion, variegated', 'Little water, folded goods, on purpose uneven.', 'wet-out', 'dye-low-immersion', 'rinse', 'dry'),
  way('kept', 'From a kept liquor', 'Bring it out, dye, keep what is left.', 'wet-out', 'kept-liquor', 'dyebath', 'rinse', 'dry'),
  way('after-bath', 'Change a colour with acid, alkali or iron', 'Afterwards, minutes at a time.', 'wet-out', 'mod-acid-after', 'rinse', 'dry'),
  way(
    'tied',
    'Tied, then dyed',
    'Points bound before the bath.',
    'scour-cellulose',
    'al-acetate',
    'resist-tie',
    'extract-dried',
    'strain',
    'dyebath',
    'rinse',
    'dry',
  ),
];
