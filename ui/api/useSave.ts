'use client';
import { useState } from 'react';
import { errorText, Refused } from './http';

/** Sends a form; what the server points out is kept by field, and nothing that was typed is lost. */
export function useSave() {
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [saving, setSaving] = useState(false);
  const save = async (work: () => Promise<unknown>, done: () => void): Promise<void> => {
    setSaving(true);
    try {
      await work();
      setErrors({});
      done();
    } catch (error) {
      const named = error instanceof Refused ? Object.fromEntries(error.problem.errors.map((one) => [one.at, one.message])) : {};
      // A field that is not on the form still says what is wrong.
      setErrors({ ...named, '': Object.keys(named).length > 0 ? Object.values(named).join(' ') : errorText(error) });
    } finally {
      setSaving(false);
    }
  };
  const refuse = (at: string, message: string) => setErrors({ [at]: message, '': message });
  return { errors, saving, save, refuse };
}
