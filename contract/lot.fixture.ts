/** A skein of plain wool, as it is sent to /lots. */
export const newSkein = (id: string, name: string, weightG: number) => ({
  id,
  name,
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  dryWeightG: { state: 'measured', value: weightG },
  pieces: 1,
  baseHex: null as string | null,
  note: '',
});
