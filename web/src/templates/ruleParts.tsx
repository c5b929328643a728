import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';
import { nameFor } from './names';
import type { Settings } from './useTemplate';

type Rule = Schemas['Rule'];
type Detail = Schemas['TemplateDetail'];

/** A name that nobody has chosen yet follows the label. */
export function relabelled(one: { name: string; label: string }, label: string) {
  const untouched = /^new_(rule|choice)/.test(one.name) || one.name === nameFor(one.label);
  return untouched ? { label, name: nameFor(label) || one.name } : { label };
}

export function Faults({ detail, name, place }: { detail: Detail; name: string; place?: string }) {
  const faults = detail.ruleFaults.filter(
    (one) => one.rule === name && (place === undefined || one.place === place),
  );
  return faults.map((one, i) => (
    <p key={i} className="text-oxide">
      {one.place && place === undefined && (
        <>{say('templates.fault-in-case', { place: one.place })}</>
      )}
      {one.message} {one.cure}
    </p>
  ));
}

/** What the rule gives for each specimen, as last saved. */
export function Given({ detail, name }: { detail: Detail; name: string }) {
  const trial = detail.trials.find((one) => one.rule === name);
  if (!trial?.given.length) return null;
  return (
    <dl className="flex flex-wrap gap-x-5 gap-y-1 border-t border-rule pt-2">
      {detail.content.specimens.map((specimen, i) => (
        <div key={i} className="flex gap-1">
          <dt className="text-soft">{specimen.name}:</dt>
          <dd>{trial.given[i]}</dd>
        </div>
      ))}
    </dl>
  );
}

/** What conditions can speak of: the items' fields for a rule within a list, the form's, and what other rules work out. */
export function fieldsFor(settings: Settings, rule: Pick<Rule, 'within' | 'name'>) {
  const items = settings.fields.find((field) => field.name === rule.within)?.items ?? [];
  const worked = settings.rules
    .filter((one) => one.name !== rule.name && one.within === '' && one.name)
    .map((one) => ({ name: one.name, type: one.gives, label: one.label, choices: [] as string[] }));
  return [...items, ...settings.fields, ...worked];
}
