import { useEffect, useRef } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import type { Schemas } from '../api/client';
import type { Answers } from './inputProps';
import { typed } from './typing';
import { officeReading, type Reading } from './useFaults';

/**
 * Writes answers as another language writes them when the form is shown in that one: read by the server as they were typed, and
 * typed anew. What can't be read stays as it is, to be mended by who typed it.
 */
export function useAnotherLanguage(
  { fields, language }: Schemas['Form'],
  { getValues, setValue }: UseFormReturn<Answers>,
  reading: Reading = officeReading,
): void {
  const before = useRef(language);
  useEffect(() => {
    const from = before.current;
    before.current = language;
    if (from === language) return;
    const values = { ...getValues('values') };
    void reading({
      fields: fields.map((field) => ({ ...field, required: false })),
      values,
      language: from,
    }).then(
      (read) => {
        for (const field of fields) {
          const stored = read.values[field.name];
          const path = `values.${field.name}` as const;
          // what was typed on meanwhile is in the new language already
          if (stored === undefined || getValues(path) !== values[field.name]) continue;
          setValue(path, typed(field, stored, language));
        }
      },
      () => undefined,
    );
  }, [language, fields, getValues, setValue, reading]);
}
