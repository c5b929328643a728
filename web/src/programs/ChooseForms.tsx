import { say } from '../messages/rooms';
import { useAllTemplates } from '../templates/useAllTemplates';
import { Button, inputLook, Labelled } from '../ui/parts';

/** The forms that something is limited to; none for all. */
export function ChooseForms({
  hint,
  chosen,
  fault,
  onChange,
}: {
  hint: string;
  chosen: string[];
  fault?: string | undefined;
  onChange: (forms: string[]) => void;
}) {
  const templates = useAllTemplates();
  const usable = (templates.data ?? []).filter((one) => one.publishedVersion > 0);
  const nameOf = (id: string) =>
    usable.find((one) => one.id === id)?.name ?? say('programs.form-at-rest');
  return (
    <div className="flex flex-col gap-2">
      <Labelled id="forms" label={say('programs.forms')} hint={hint} fault={fault}>
        <select
          id="forms"
          className={inputLook}
          value=""
          onChange={(event) => event.target.value && onChange([...chosen, event.target.value])}
        >
          <option value="">
            {chosen.length ? say('programs.another-form') : say('programs.all-forms')}
          </option>
          {usable
            .filter(({ id }) => !chosen.includes(id))
            .map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
        </select>
      </Labelled>
      {chosen.length > 0 && (
        <ul aria-label={say('programs.forms')} className="flex flex-col gap-1">
          {chosen.map((id) => (
            <li key={id} className="flex items-center gap-3 border-l-2 border-rule pl-3">
              <span className="mr-auto">{nameOf(id)}</span>
              <Button
                className="min-h-7 px-2"
                onClick={() => onChange(chosen.filter((one) => one !== id))}
              >
                {say('programs.take-out')}
                <span className="sr-only">{nameOf(id)}</span>
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
