import { Blind } from '../blind/Blind';
import type { AskedProps } from '../signingFields/kind';
import { kinds } from '../signingFields/kinds';
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
};

/** What is asked of this participant, and what is still open of it. */
export function YourPart({ page, values, onValues, mark, onMark, act }: Props) {
  const signs = page.duty === 'SIGNS';
  if (signs && !page.consented) {
    return <ConsentBox page={page} onConsent={act.consent} busy={act.busy} error={act.error} />;
  }
  const open = missing(page, values, mark);
  const steps = [
    ...page.toComplete.filter((one) => one.required).map((one) => !!values[one.name]?.trim()),
    ...(signs ? [!!mark] : []),
  ];
  const faults = act.error?.faults ?? {};
  function finish() {
    const filled = Object.fromEntries(
      page.toComplete.map((one) => [one.name, values[one.name] ?? '']),
    );
    if (signs && mark) return act.sign(filled, mark);
    return page.duty === 'APPROVES' ? act.approve() : act.complete(filled);
  }
  return (
    <section aria-label="Your part" className="flex flex-col gap-4 border border-rule bg-sheet p-4">
      <div className="flex items-center gap-3">
        <h2 className="text-xl">Your part</h2>
        {steps.length > 0 && (
          <Blind
            width={70}
            height={Math.max(20, steps.length * 8)}
            slats={steps.map((done, i) => ({
              party: String(i),
              label: `Step ${i + 1}`,
              name: '',
              duty: page.duty,
              stage: i + 1,
              standing: done ? 'DONE' : 'OPEN',
              since: null,
            }))}
          />
        )}
      </div>
      {page.duty === 'APPROVES' && (
        <p>Read the document. If you agree that it may go on, approve it.</p>
      )}
      {page.toComplete.map((one) => (
        <Labelled
          key={one.name}
          id={one.name}
          label={one.label}
          required={one.required}
          hint={kinds[one.type.kind].asked?.hint(one.type) || undefined}
          fault={faults[one.name]}
        >
          <Asked
            id={one.name}
            type={one.type}
            value={values[one.name] ?? ''}
            fault={faults[one.name]}
            onChange={(value) => onValues({ ...values, [one.name]: value })}
          />
        </Labelled>
      ))}
      {signs && <SignatureMark name={page.name} onMark={onMark} />}
      <Trouble error={act.error} />
      {open && <p className="text-clay">{open}</p>}
      <Button
        look="main"
        className="min-h-11 justify-center text-lg"
        disabled={!!open || act.busy}
        onClick={() => void finish()}
      >
        {verb(page)}
      </Button>
      {signs && (
        <p className="text-soft">
          By pressing this you sign the document as shown. Your name, address in the network and the
          time are recorded.
        </p>
      )}
    </section>
  );
}

function Asked(props: AskedProps) {
  const Input = kinds[props.type.kind].asked?.Input;
  return Input ? <Input {...props} /> : null;
}

function verb(page: SigningPage): string {
  if (page.duty === 'SIGNS') return `Sign as ${page.name}`;
  return page.duty === 'APPROVES' ? 'Approve the agreement' : 'Hand in the details';
}

/** What is still open, in words; empty when nothing is. */
export function missing(
  page: Pick<SigningPage, 'duty' | 'toComplete'>,
  values: Record<string, string>,
  mark: Mark | undefined,
): string {
  const blank = page.toComplete
    .filter((one) => one.required && !values[one.name]?.trim())
    .map((one) => one.label);
  if (blank.length) return `Still to complete: ${blank.join(', ')}.`;
  return page.duty === 'SIGNS' && !mark ? 'Type or draw your signature.' : '';
}
