import { useWatch, type Control } from 'react-hook-form';
import { useSay } from '../messages/useSay';
import type { Code } from '../messages/catalogue';
import type { Answers } from './inputProps';
import { useKept, type Keeping } from './kept';
import { MailBegun } from './MailBegun';

const said: Record<Exclude<Keeping, 'nothing'>, Code> = {
  keeping: 'form.keeping',
  kept: 'form.kept',
  'not-kept': 'form.not-kept',
};

/** Keeps a form's answers as they are typed, and says whether they are. */
export function KeptAnswers({
  formKey,
  template,
  language,
  control,
  changed,
  renews,
}: {
  formKey: string;
  template: string;
  /** In which it is filled. */
  language: string;
  control: Control<Answers>;
  /** Whether anybody has typed anything. */
  changed: boolean;
  /** The number of the agreement that it renews; empty for none. */
  renews: string;
}) {
  const words = useSay();
  const [values, people, taken] = useWatch({ control, name: ['values', 'people', 'taken'] });
  const keeping = useKept(
    formKey,
    template,
    changed ? JSON.stringify({ values, people, taken, language, renews }) : undefined,
  );
  return (
    <>
      <p role="status" className={keeping === 'not-kept' ? 'text-clay' : 'text-soft'}>
        {keeping !== 'nothing' && words.say(said[keeping])}
      </p>
      {keeping === 'kept' && <MailBegun formKey={formKey} />}
    </>
  );
}
