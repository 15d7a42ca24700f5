'use client';
import { useState } from 'react';
import { faultsByField } from './faults';
import { errorText, Refused } from './http';

/**
 * Sends a form; what the server points out is kept by field, and nothing that was typed is lost.
 * @param shown fields that say their own faults; all others are said together under ''
 */
export function useSave(shown: readonly string[] = []) {
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [saving, setSaving] = useState(false);
  const save = async (work: () => Promise<unknown>, done: () => void): Promise<void> => {
    setSaving(true);
    try {
      await work();
      setErrors({});
      done();
    } catch (error) {
      const pointedOut = error instanceof Refused ? error.problem.errors : [];
      setErrors(pointedOut.length > 0 ? faultsByField(pointedOut, shown) : { '': errorText(error) });
    } finally {
      setSaving(false);
    }
  };
  const refuse = (at: string, message: string) => setErrors({ [at]: message });
  return { errors, saving, save, refuse };
}
