import { hexOfLab, type Lab, printLab } from '@/core/colour/lab';
import { parseLab } from '@/core/colour/parseLab';
import type { Reader } from '../form/typed';

/** A colour as it is typed: Lab, or a hex. */
export const labReader = (): Reader<Lab> => (text) => {
  if (text.trim() === '') return { ok: true, value: null, says: '' };
  const parsed = parseLab(text);
  if (!parsed.ok) return { ok: false, why: parsed.error };
  const lab = parsed.value;
  return {
    ok: true,
    value: lab,
    says: text.trim().startsWith('#') ? `= ${printLab(lab)}` : `= ${hexOfLab(lab)} on a screen`,
  };
};
