import type { Schemas } from '../api/client';
import { useState } from 'react';
import { Blind } from '../blind/Blind';
import { english, type Catalogue } from '../messages/catalogue';
import { useSay } from '../messages/useSay';
import type { AskedProps } from '../signingFields/kind';
import { kinds } from '../signingFields/kinds';
import { requiredAmong, shownAmong } from '../signingFields/shown';
import { Button, Labelled, Trouble } from '../ui/parts';
import { ConsentBox } from './ConsentBox';
import { SignatureMark } from './SignatureMark';
import type { Mark, SigningPage, useAct } from './useAct';

type Props = {
  page: SigningPage;
  values: Record<string, string>;
  onValues: (values: Record<string, string>) => void;
  mark: Mark | undefined;
  onMark: (mark: Mark | undefined) => void;
  act: ReturnType<typeof useAct>;
  /** What the program works out of the answers, and copies. */
  derived: Schemas['Derived'][];
};

/** What is asked of this participant, and what is still open of it. */
export function YourPart({ page, values, onValues, mark, onMark, act, derived }: Props) {
  const words = useSay();
  /** What was given when the faults were told: an answer that has changed since is no longer at fault. */
  const [told, setTold] = useState<Record<string, string>>({});
  const signs = page.duty === 'SIGNS';
  if (signs && !page.consented) {
    return <ConsentBox page={page} onConsent={act.consent} busy={act.busy} error={act.error} />;
  }
  const open = missing(page, values, mark, words);
  const asked = shownAmong(page.toComplete, values);
  const required = requiredAmong(page.toComplete, values);
  const steps = [...required.map((one) => !!values[one.name]?.trim()), ...(signs ? [!!mark] : [])];
  const faults = Object.fromEntries(
    Object.entries(act.error?.faults ?? {})
      .filter(([name]) => (told[name] ?? '') === (values[name] ?? ''))
      .map(([name, fault]) => [name, words.saying(act.error?.saidFaults[name]) ?? fault]),
  );
  const blank = derived.filter(({ text }) => !text).map(({ label }) => label);
  const mended = Object.keys(act.error?.faults ?? {}).length > 0 && !Object.keys(faults).length;
  function finish() {
    const filled = Object.fromEntries(asked.map((one) => [one.name, values[one.name] ?? '']));
    setTold(filled);
    if (signs && mark) return act.sign(filled, mark);
    return page.duty === 'APPROVES' ? act.approve() : act.complete(filled);
  }
  return (
    <section
      aria-label={words.say('yours.title')}
      className="flex flex-col gap-4 border border-rule bg-sheet p-4"
    >
      <div className="flex items-center gap-3">
        <h2 className="text-xl">{words.say('yours.title')}</h2>
        {steps.length > 0 && (
          <Blind
            width={70}
            height={Math.max(20, steps.length * 8)}
            slats={steps.map((done, i) => ({
              party: String(i),
              label: words.say('yours.step', { step: i + 1 }),
              name: '',
              duty: page.duty,
              stage: i + 1,
              standing: done ? 'DONE' : 'OPEN',
              since: null,
            }))}
          />
        )}
      </div>
      {page.duty === 'APPROVES' && <p>{words.say('yours.approve')}</p>}
      {asked.map((one) => (
        <Labelled
          key={one.name}
          id={one.name}
          label={one.label}
          required={required.includes(one)}
          hint={kinds[one.type.kind].asked?.hint(one.type) || undefined}
          fault={faults[one.name]}
        >
          <Asked
            id={one.name}
            label={one.label}
            type={one.type}
            value={values[one.name] ?? ''}
            fault={faults[one.name]}
            onChange={(value) => onValues({ ...values, [one.name]: value })}
          />
        </Labelled>
      ))}
      {derived.length > 0 && (
        <dl className="flex flex-col gap-2" aria-live="polite">
          {derived.map(({ name, label, text }) => (
            <div key={name}>
              <dt className="text-soft">{label}</dt>
              <dd className="min-h-6">{text || words.say('yours.not-yet')}</dd>
            </div>
          ))}
        </dl>
      )}
      {signs && <SignatureMark name={page.name} onMark={onMark} />}
      {!mended && <Trouble error={act.error} />}
      {open && <p className="text-clay">{open}</p>}
      {!open && blank.length > 0 && (
        <p className="text-clay">{words.say('yours.stays-blank', { fields: blank.join(', ') })}</p>
      )}
      <Button
        look="main"
        className="min-h-11 justify-center text-lg"
        disabled={!!open || act.busy}
        onClick={() => void finish()}
      >
        {verb(page, words)}
      </Button>
      {signs && <p className="text-soft">{words.say('yours.recorded')}</p>}
    </section>
  );
}

function Asked(props: AskedProps) {
  const Input = kinds[props.type.kind].asked?.Input;
  return Input ? <Input {...props} /> : null;
}

function verb(page: SigningPage, words: Catalogue): string {
  if (page.duty === 'SIGNS') return words.say('act.sign', { name: page.name });
  return words.say(page.duty === 'APPROVES' ? 'act.approve' : 'act.complete');
}

/** What is still open, in words; empty when nothing is. */
export function missing(
  page: Pick<SigningPage, 'duty' | 'toComplete'>,
  values: Record<string, string>,
  mark: Mark | undefined,
  words: Catalogue = english,
): string {
  const blank = requiredAmong(page.toComplete, values)
    .filter((one) => !values[one.name]?.trim())
    .map((one) => one.label);
  if (blank.length) return words.say('yours.open', { fields: blank.join(', ') });
  return page.duty === 'SIGNS' && !mark ? words.say('yours.no-mark') : '';
}
