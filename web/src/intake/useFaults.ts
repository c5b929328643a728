import { useCallback } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { answer, api, type Schemas } from '../api/client';
import type { Answers } from './inputProps';
import { byAnswer } from './itemFaults';

/** Reads what was typed for some fields. */
export type Reading = (typed: Schemas['Typed']) => Promise<Schemas['ReadData']>;

export const officeReading: Reading = (body) => answer(api.POST('/api/v1/forms/reading', { body }));

/**
 * Tells what is wrong with an answer when it is left, by the rules that hold when the form is handed in: the server reads it.
 * One that is empty is asked for only in the end.
 */
export function useFaults(
  { fields, language }: Schemas['Form'],
  { getValues, setError, clearErrors }: UseFormReturn<Answers>,
  reading: Reading = officeReading,
): (name: string) => Promise<void> {
  return useCallback(
    async (name) => {
      const field = fields.find((one) => one.name === name);
      const path = `values.${name}` as const;
      const value = getValues(path);
      if (!field) return;
      if (!value) {
        clearErrors(path);
        return;
      }
      let faults: Record<string, string>;
      try {
        const body = { fields: [field], values: { [name]: value }, language };
        ({ faults } = await reading(body));
      } catch {
        // whether it can be read is told when the form is handed in
        return;
      }
      // somebody may have typed on meanwhile
      if (getValues(path) !== value) return;
      const fault = byAnswer(faults).find(([of]) => of === name)?.[1];
      if (fault) setError(path, { type: 'server', ...fault });
      else clearErrors(path);
    },
    [fields, language, getValues, setError, clearErrors, reading],
  );
}
