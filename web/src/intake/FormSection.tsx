import { createContext, useContext, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { FieldInput } from './FieldInput';
import { useFormWords } from './formWords';
import type { FormState } from './useFormState';

type Question = Schemas['FormQuestion'];

const spans: Record<Question['width'], string> = {
  WHOLE: 'col-span-6',
  TWO_THIRDS: 'col-span-6 @md:col-span-4',
  HALF: 'col-span-6 @md:col-span-3',
  THIRD: 'col-span-6 @md:col-span-2',
};

/** Draws around a question what arranging needs; a form that is filled has nothing there. */
export const AroundQuestion = createContext<
  ((field: string, question: ReactNode) => ReactNode) | undefined
>(undefined);

/** Draws what a question is looked up by; forms for people from outside have nothing there, nor its code. */
export const LookingUp = createContext<
  ((field: Schemas['Field'], question: Question) => ReactNode) | undefined
>(undefined);

/** Questions that belong together, in the order in which the form has arranged them. */
export function FormSection({
  section,
  position,
  fields,
  notes,
  state,
}: {
  section: Schemas['FormSection'];
  /** Which of the form's sections it is, from 0. */
  position: number;
  fields: Schemas['Field'][];
  /** What is to be said about answers, by field. */
  notes: Record<string, string>;
  state: FormState;
}) {
  const text = useFormWords();
  const words = useSay();
  const around = useContext(AroundQuestion);
  const lookUp = useContext(LookingUp);
  if (state.sectionsLeft.includes(position)) return null;
  const asked = section.questions.filter(({ field }) => !state.left.includes(field));
  const questions = asked.map((question) => {
    const field = fields.find((one) => one.name === question.field);
    if (!field) return null;
    const given = question.start === 'SERIES' ? words.say('form.number-given') : '';
    const hint = [notes[field.name], text(question.help || field.hint), given]
      .filter(Boolean)
      .join(' ');
    const totals = state.totals.filter((one) => one.list === field.name);
    const input = (
      <>
        {question.before && <p className="pb-2 whitespace-pre-line">{text(question.before)}</p>}
        {lookUp?.(field, question)}
        <FieldInput field={{ ...field, hint }} asked={question} />
        {totals.length > 0 && (
          <div role="status">
            <dl className="flex flex-wrap gap-x-6 pt-2">
              {totals.map(({ label, total }, i) => (
                <div key={i} className="flex gap-2">
                  <dt className="text-soft">
                    {words.say('form.total-of', { field: text(label) })}
                  </dt>
                  <dd className="font-medium tabular-nums">{total}</dd>
                </div>
              ))}
            </dl>
          </div>
        )}
      </>
    );
    return (
      <div key={field.name} className={`min-w-0 ${spans[question.width]}`}>
        {around ? around(field.name, input) : input}
      </div>
    );
  });
  if (!section.title && !section.help && !questions.length) return null;
  // a title of questions none of which is asked would stand over nothing
  if (!questions.length && section.questions.length) return null;
  const grid = <div className="grid grid-cols-6 gap-4">{questions}</div>;
  if (!section.title)
    return (
      <div className="flex flex-col gap-4">
        {section.help && <p className="whitespace-pre-line text-soft">{text(section.help)}</p>}
        {grid}
      </div>
    );
  return (
    <fieldset className="flex min-w-0 flex-col gap-4 border-t border-rule pt-3">
      <legend className="pr-3 font-serif text-lg">{text(section.title)}</legend>
      {section.help && <p className="whitespace-pre-line text-soft">{text(section.help)}</p>}
      {grid}
    </fieldset>
  );
}
