import { useEffect, useRef } from 'react';
import { say } from '../../../messages/rooms';
import { inputLook } from '../../../ui/parts';
import { mentions, placedField, withField, withoutFields, type Bench, type Field } from '../bench';
import { keyOfSubject } from '../things';
import { FieldDefault } from './FieldDefault';
import { FieldExtras } from './FieldExtras';
import { FieldPrint } from './FieldPrint';
import { LabelSetting, TypeSetting } from './TypeSetting';
import { BySpecimen, Part, Places, Setting, type Walk } from './parts';

/** Everything that there is to settle about one datum. */
export function FieldCard({
  bench,
  name,
  list,
  walk,
  onOpen,
}: {
  bench: Bench;
  name: string;
  list: string;
  walk: Walk;
  onOpen: (key: string) => void;
}) {
  const { settings, fixed, change, detail } = bench;
  const latest = useRef(bench);
  useEffect(() => {
    latest.current = bench;
  }, [bench]);
  const placed = placedField(settings, name, list);
  if (!placed) return null;
  const { field } = placed;
  const set = (part: Partial<Field>) => change(withField(settings, placed, part));
  const unused =
    !list && detail.advice.some((one) => one.code === 'field-unused' && one.place === name);
  return (
    <fieldset disabled={fixed} className="flex min-w-0 flex-col gap-2">
      <LabelSetting field={field} onChange={set} />
      <div className="grid grid-cols-[minmax(0,1fr)_auto] gap-3">
        <TypeSetting field={field} onChange={set} />
        <label className="flex min-h-9 items-center gap-2 self-end">
          <input
            type="checkbox"
            className="size-5"
            checked={field.required}
            onChange={(event) => set({ required: event.target.checked })}
          />
          {say('templates.required-field')}
        </label>
      </div>
      <FieldPrint bench={bench} name={name} type={field.type} />
      <Setting label={say('templates.hint')}>
        <input
          className={inputLook}
          value={field.hint}
          onChange={(event) => set({ hint: event.target.value })}
        />
      </Setting>
      <FieldExtras field={field} onChange={set} />
      {!['ITEMS', 'PICTURE', 'FILE'].includes(field.type) && (
        <FieldDefault
          key={field.type}
          field={field}
          language={settings.language}
          fixed={fixed}
          onChange={(initial) => {
            // the answer may be late: what else was typed meanwhile stays
            const { settings: now, change: set } = latest.current;
            const still = placedField(now, name, list);
            if (still) set(withField(now, still, { initial }));
          }}
        />
      )}
      {field.type === 'ITEMS' && (
        <Part title={say('templates.fields-of-each-item')}>
          <ul className="flex flex-wrap gap-x-3">
            {field.items.map((item) => (
              <li key={item.name}>
                <LinkTo
                  onClick={() =>
                    onOpen(keyOfSubject({ kind: 'field', name: item.name, list: field.name }))
                  }
                >
                  {item.label}
                </LinkTo>
              </li>
            ))}
          </ul>
        </Part>
      )}
      <Places walk={walk} />
      <UsedBy bench={bench} name={name} onOpen={onOpen} />
      <BySpecimen
        given={
          list
            ? []
            : settings.specimens.map((one) => ({ name: one.name, value: one.data[name] ?? '' }))
        }
      />
      <p className="text-soft">
        {say('templates.tag-in-the-word-file')} <code>{`{{${name}}}`}</code>
      </p>
      {unused && !fixed && (
        <LinkTo onClick={() => change(withoutFields(settings, [placed]))}>
          {say('templates.remove-the-field', { label: field.label })}
        </LinkTo>
      )}
    </fieldset>
  );
}

/** Rules, choices and passages that depend on a name, each a way to its own card. */
export function UsedBy({
  bench: { settings, detail },
  name,
  onOpen,
}: {
  bench: Bench;
  name: string;
  onOpen: (key: string) => void;
}) {
  const rules = settings.rules.flatMap((one, index) =>
    mentions(one.expression, name)
      ? [{ key: keyOfSubject({ kind: 'rule', index }), label: one.label }]
      : [],
  );
  const choices = settings.choices.flatMap((one, index) =>
    one.cases.some(({ condition }) => mentions(condition, name))
      ? [{ key: keyOfSubject({ kind: 'choice', index }), label: one.label }]
      : [],
  );
  const parties = settings.parties.filter(
    ({ who, neededWhen }) =>
      neededWhen === name ||
      (who.kind === 'from_fields' && [who.nameField, who.mailField, who.phoneField].includes(name)),
  );
  const passages = detail.wordings
    .flatMap((one) => one.passages)
    .filter((one) => one.name.split('.')[0] === name).length;
  const uses = [...rules, ...choices];
  if (!uses.length && !passages && !parties.length) return null;
  return (
    <Part title={say('templates.used-by')}>
      <ul className="flex flex-wrap gap-x-3">
        {uses.map(({ key, label }) => (
          <li key={key}>
            <LinkTo onClick={() => onOpen(key)}>{label}</LinkTo>
          </li>
        ))}
        {passages > 0 && <li>{say('templates.passages-decided', { count: passages })}</li>}
        {parties.map((party) => (
          <li key={party.key}>{say('templates.person-of-party', { party: party.label })}</li>
        ))}
      </ul>
    </Part>
  );
}

export function LinkTo({ onClick, children }: { onClick: () => void; children: string }) {
  return (
    <button
      type="button"
      className="min-h-6 text-left text-slate underline underline-offset-3"
      onClick={onClick}
    >
      {children}
    </button>
  );
}
