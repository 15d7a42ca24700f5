/**
 * Plants that hurt, as rows (safety handbook section 4, general knowledge; toxicity settled unless marked there).
 * Identification is always the gatherer's. A row shows when a name or a synonym is picked or typed.
 */
export interface PlantRow {
  readonly id: string;
  /** Lower-case words that name the plant; a typed name that holds one of them shows the row. */
  readonly names: readonly string[];
  readonly severity: 'stop' | 'caution' | 'note';
  readonly trouble: string;
  readonly say: string;
  /** Frees cyanide when bruised or boiled (X23). */
  readonly cyanogenic?: true;
  /** Steam or oil that wants moving air (P9). */
  readonly airy?: true;
}

export const PLANT_ROWS: readonly PlantRow[] = [
  {
    id: 'poisonIvy',
    names: ['poison ivy', 'poison oak', 'poison sumac', 'toxicodendron'],
    severity: 'stop',
    trouble: 'its oil burns skin, and its smoke and steam the lungs',
    say: 'Do not gather, boil, burn or compost it.',
  },
  {
    id: 'sumac',
    names: ['sumac', 'rhus'],
    severity: 'caution',
    trouble: 'poison sumac looks alike: white drooping berries on wet ground',
    say: 'Red upright heads only, after sure identification.',
  },
  {
    id: 'hogweed',
    names: ['hogweed', 'wild parsnip', 'cow parsnip', 'heracleum'],
    severity: 'stop',
    trouble: 'sap and sunlight burn for days',
    say: 'Do not touch it; if touched, wash, cover from sun, get advice.',
  },
  {
    id: 'rue',
    names: ['rue', 'ruta', 'fig sap', 'st john', 'hypericum'],
    severity: 'caution',
    trouble: 'it can make skin burn in light',
    say: 'Gloves, sleeves, work in shade, wash; livestock off.',
  },
  {
    id: 'heartPoisons',
    names: ['oleander', 'nerium', 'lily of the valley', 'convallaria', 'foxglove', 'digitalis', 'yew', 'taxus'],
    severity: 'stop',
    trouble: 'heart poisons in nearly every part',
    say: 'Not supported as a dye, whatever an old book lists.',
  },
  {
    id: 'nervePoisons',
    names: [
      'monkshood',
      'wolfsbane',
      'aconite',
      'aconitum',
      'nightshade',
      'belladonna',
      'atropa',
      'solanum dulcamara',
      'datura',
      'thorn apple',
      'thornapple',
      'jimsonweed',
      'brugmansia',
      'henbane',
      'hyoscyamus',
      'mandrake',
      'autumn crocus',
      'colchicum',
    ],
    severity: 'stop',
    trouble: 'nerve, heart and cell poisons, some through skin',
    say: 'Not supported; do not handle it.',
  },
  {
    id: 'hemlock',
    names: ['hemlock', 'conium', 'cicuta', 'cowbane', 'dropwort', 'oenanthe'],
    severity: 'stop',
    trouble: 'deadly, and looks like wild carrot or parsley',
    say: 'Wild carrot-family foraging only with expert eyes.',
  },
  {
    id: 'larkspur',
    names: ['larkspur', 'delphinium', 'lobelia'],
    severity: 'caution',
    trouble: 'strong alkaloids',
    say: 'Garden-grown, gloves, no tasting.',
  },
  { id: 'laburnum', names: ['laburnum', 'golden chain'], severity: 'stop', trouble: 'its alkaloids poison', say: 'Not supported as a dye.' },
  {
    id: 'brooms',
    names: ['broom', 'greenweed', 'genista', 'cytisus'],
    severity: 'caution',
    trouble: 'holds alkaloids',
    say: 'Gloves on; keep the pods away from children.',
  },
  {
    id: 'castor',
    names: ['castor', 'castor bean', 'ricinus'],
    severity: 'stop',
    trouble: 'deadly seed, and its dust an allergen',
    say: 'Seed and press cake are not supported.',
  },
  {
    id: 'lupin',
    names: ['lupin', 'lupine', 'lupinus'],
    severity: 'caution',
    trouble: 'toxic if eaten; can cross-react with peanut allergy',
    say: 'Keep seeds and pods away from children; never tasted.',
  },
  {
    id: 'pokeweed',
    names: ['poke', 'pokeweed', 'pokeberry', 'pokeberries', 'phytolacca'],
    severity: 'caution',
    trouble: 'root and berries are toxic, the juice through cuts',
    say: 'Gloves, goggles, no children; the colour also fades.',
  },
  {
    id: 'locust',
    names: ['black locust', 'horse chestnut', 'rhododendron', 'azalea', 'mountain laurel'],
    severity: 'caution',
    trouble: 'toxic bark, seed or leaf, for horses and pets too',
    say: 'Gloves; mask when chipping; scraps out of reach.',
  },
  {
    id: 'buckthorn',
    names: ['buckthorn', 'rhamnus', 'frangula'],
    severity: 'caution',
    trouble: 'a strong purge, fresh bark worse',
    say: 'Gloves; never tasted; spread no berries.',
  },
  {
    id: 'privet',
    names: ['privet', 'ligustrum', 'hedera', 'common ivy', 'english ivy', 'ivy', 'ivies'],
    severity: 'caution',
    trouble: 'berries toxic; leaf or sap rash',
    say: 'Gloves; bin the fruit.',
  },
  {
    id: 'cyanogens',
    names: ['hydrangea', 'cherry', 'peach leaf', 'peach leaves', 'prunus persica', 'prunus laurocerasus', 'elder leaf', 'elder leaves', 'laurel'],
    severity: 'caution',
    trouble: 'bruised or boiled it can free cyanide',
    say: 'Heat it outdoors in a strong draught; pets out.',
    cyanogenic: true,
    airy: true,
  },
  {
    id: 'tansy',
    names: ['tansy', 'tanacetum'],
    severity: 'caution',
    trouble: 'thujone; rash in daisy allergy; a concern in pregnancy',
    say: 'Gloves, air; ask a clinician if pregnant.',
  },
  {
    id: 'liverPlants',
    names: ['ragwort', 'comfrey', 'alkanet', 'bracken'],
    severity: 'caution',
    trouble: 'it and its dust or spores can harm',
    say: 'Gloves, mask, outdoors; never tasted; keep from hay.',
  },
  {
    id: 'eucalyptus',
    names: ['eucalyptus', 'corymbia'],
    severity: 'caution',
    trouble: 'its oil poisons small children and pets; the steam irritates',
    say: 'Window open; cats and birds out.',
    airy: true,
  },
  {
    id: 'causticSap',
    names: ['bloodroot', 'celandine', 'spurge', 'euphorbia'],
    severity: 'caution',
    trouble: 'caustic sap injures eyes',
    say: 'Goggles, gloves; never dig wild bloodroot.',
  },
  { id: 'daffodil', names: ['daffodil', 'narcissus'], severity: 'note', trouble: 'sap rash; bulbs are mistaken for onions', say: 'Gloves; flowers only.' },
  {
    id: 'walnut',
    names: ['walnut', 'juglans', 'butternut'],
    severity: 'caution',
    trouble: 'juglone stains and irritates; mouldy hulls poison dogs',
    say: 'Gloves, old clothes; tell nut-allergic housemates; no garden tipping.',
  },
  {
    id: 'oxalates',
    names: ['rhubarb', 'dock', 'sorrel', 'oxalis', 'virginia creeper'],
    severity: 'caution',
    trouble: 'holds oxalates',
    say: 'Never tasted; window open, lid on, do not lean over the steam.',
    airy: true,
  },
  {
    id: 'daisyFamily',
    names: ['nettle', 'barberry', 'mahonia', 'marigold', 'chamomile', 'goldenrod', 'calendula', 'coreopsis', 'rudbeckia'],
    severity: 'note',
    trouble: 'sting, thorns or a daisy-family rash',
    say: 'Gauntlets; stop if it itches.',
  },
  {
    id: 'dyePowder',
    names: ['cochineal', 'lac', 'madder', 'logwood', 'annatto', 'indigo'],
    severity: 'caution',
    trouble: 'its dust can start an airway or skin allergy',
    say: 'Mask, damp cloth; never swallowed.',
  },
  {
    id: 'tradedWood',
    names: ['sappan', 'brazilwood', 'pernambuco', 'sandalwood'],
    severity: 'note',
    trouble: 'some red woods need trade papers',
    say: 'Ask the seller for lawful origin.',
  },
  {
    id: 'mushrooms',
    names: ['mushroom', 'cortinarius', 'fungus'],
    severity: 'caution',
    trouble: 'deadly look-alikes; spores',
    say: 'Its own dry box, never beside food fungi; expert identification.',
  },
  {
    id: 'kitchenWaste',
    names: ['onion', 'avocado', 'grape', 'tea', 'coffee', 'cocoa'],
    severity: 'note',
    trouble: 'poisonous to dogs, cats or birds',
    say: 'Use a lidded bin.',
  },
  {
    id: 'lichen',
    names: ['lichen', 'usnea', 'orchil', 'oakmoss'],
    severity: 'caution',
    trouble: 'grows millimetres a year; many are protected',
    say: 'Fallen, named and permitted only; living lichen not at all.',
  },
  {
    id: 'unresolved',
    names: [],
    severity: 'caution',
    trouble: 'its name is not known here',
    say: 'Two independent sources for its identity, or leave it.',
  },
];

const rowById = new Map(PLANT_ROWS.map((row) => [row.id, row]));
export const plantRow = (id: string): PlantRow | undefined => rowById.get(id);

/** Rows for a name as typed: whole words only, so that "pearl" does not find "ear". Most severe first. */
export function plantRowsFor(name: string): PlantRow[] {
  const text = ` ${name
    .toLowerCase()
    .replace(/[^a-zà-ž]+/g, ' ')
    .trim()} `;
  const order = { stop: 0, caution: 1, note: 2 };
  return PLANT_ROWS.filter((row) => row.names.some((word) => text.includes(` ${word} `) || text.includes(` ${word}s `))).sort(
    (a, b) => order[a.severity] - order[b.severity],
  );
}
