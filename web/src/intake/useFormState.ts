import { useEffect, useRef } from 'react';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import type { Schemas } from '../api/client';
import type { Answers } from './inputProps';
import { useLive } from './live/useLive';
import type { SoFar } from './live/source';

export type FormState = Schemas['FormState'];

const NOTHING: FormState = { left: [], sectionsLeft: [], followed: {}, totals: [] };

/**
 * What a form asks for with the answers that it has so far, worked out by the server by the rules that hold when it is handed in.
 * What follows from other answers is put in its place, and where it can be typed over it stays as it was typed.
 *
 * @param ask works it out; nothing where the form always asks for the same
 */
export function useFormState(
  form: Schemas['Form'],
  answers: UseFormReturn<Answers>,
  ask: ((soFar: SoFar) => Promise<FormState>) | undefined,
): FormState | undefined {
  const { control, getValues, setValue } = answers;
  const values = useWatch({ control, name: 'values' });
  const depends = form.depends && ask;
  const { made, error } = useLive(
    (wanted) => (ask ? ask(JSON.parse(wanted) as SoFar) : Promise.resolve(NOTHING)),
    depends ? JSON.stringify({ values, language: form.language, document: '' }) : undefined,
  );
  const before = useRef<Record<string, string>>({});
  useEffect(() => {
    if (!made) return;
    const fixed = new Set(
      form.sections.flatMap(({ questions }) =>
        questions.filter((one) => one.readOnly).map((one) => one.field),
      ),
    );
    const computed = form.sections.flatMap(({ questions }) =>
      questions.filter((one) => one.start === 'RULE').map((one) => one.field),
    );
    for (const name of computed) {
      const path = `values.${name}` as const;
      const now = getValues(path) ?? '';
      const next = made.followed[name] ?? '';
      const untouched = fixed.has(name) || now === '' || now === before.current[name];
      if (untouched && now !== next) setValue(path, next);
      before.current[name] = next;
    }
  }, [made, form.sections, getValues, setValue]);
  // a form whose server is away asks for all that it may ask for
  return depends ? (made ?? (error ? NOTHING : undefined)) : NOTHING;
}
