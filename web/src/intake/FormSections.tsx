import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { Waiting } from '../ui/parts';
import { FormSection } from './FormSection';
import { FormWords } from './formWords';
import { FormLanguage } from './typing';
import type { FormState } from './useFormState';

/** All questions of a form in its language, as far as it asks them. */
export function FormSections({
  form,
  state,
  notes = {},
}: {
  form: Schemas['Form'];
  /** Nothing while it isn't known yet. */
  state: FormState | undefined;
  /** What is to be said about answers, by field. */
  notes?: Record<string, string>;
}) {
  const words = useSay();
  if (!state) return <Waiting what={words.say('page.opening')} />;
  return (
    <FormLanguage.Provider value={form.language}>
      <FormWords.Provider value={form.words}>
        {form.sections.map((section, i) => (
          <FormSection
            key={i}
            section={section}
            position={i}
            fields={form.fields}
            notes={notes}
            state={state}
          />
        ))}
      </FormWords.Provider>
    </FormLanguage.Provider>
  );
}
