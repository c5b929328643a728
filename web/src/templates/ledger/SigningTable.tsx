import { useState } from 'react';
import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import type { Schemas } from '../../api/client';
import { useSay } from '../../messages/useSay';
import type { Setting } from '../../signingFields/kind';
import { calledIn, kinds } from '../../signingFields/kinds';
import { Button } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { keyOfSubject } from '../bench/things';
import { settingInputs, SizeInput } from '../settingInputs';
import { settingProps, type SettingProps } from '../settingParts';
import { cellLook, LedgerTable, type LedgerColumn } from './LedgerTable';

type Field = Schemas['SigningField'];

/** Settings that are compared have columns of their own; what few kinds have stands behind them. */
const compared: { setting: Setting; title: string; width: string }[] = [
  { setting: 'kind', title: say('templates.kind'), width: '10rem' },
  { setting: 'required', title: say('templates.required'), width: '5rem' },
];
/** What else is settled in a table; what takes an explanation or several inputs is settled in the card. */
const further: Setting[] = [
  'check',
  'hint',
  'options',
  'preset',
  'currency',
  'whole',
  'limits',
  'when',
];

/** All signing fields: whose they are, their room on the page, and what their kinds let settle. */
export function SigningTable({ bench }: { bench: Bench }) {
  const words = useSay();
  const { fixed, change } = bench;
  const { signingFields, parties } = bench.settings;
  const partyOf = ({ party }: Field) =>
    parties.find((one) => one.key === party)?.label ?? say('templates.nobody', { party });
  const put = (changed: Field[]) =>
    change({
      ...bench.settings,
      signingFields: signingFields.map(
        (one) => changed.find(({ name }) => name === one.name) ?? one,
      ),
    });
  const propsOf = (field: Field): SettingProps =>
    settingProps(bench.settings, field, calledIn(words, field), (next) => put([next]));
  const hasSetting = (field: Field, setting: Setting) =>
    kinds[field.type.kind].settings.includes(setting);
  const input = (field: Field, setting: Setting) => {
    const Input = settingInputs[setting];
    return hasSetting(field, setting) ? <Input key={setting} {...propsOf(field)} /> : null;
  };
  const columns: LedgerColumn<Field>[] = [
    {
      id: 'party',
      title: say('templates.party-of-field'),
      width: '8rem',
      sort: partyOf,
      cell: partyOf,
    },
    {
      id: 'field',
      title: say('templates.field'),
      width: '8rem',
      sort: (field) => calledIn(words, field),
      cell: (field) => calledIn(words, field),
    },
    {
      id: 'width',
      title: say('templates.width-in-mm'),
      width: '5rem',
      sort: ({ type }) => type.size.widthMm,
      cell: (field) => (
        <span className="bare">
          <SizeInput side="widthMm" {...propsOf(field)} />
        </span>
      ),
    },
    {
      id: 'height',
      title: say('templates.height-in-mm'),
      width: '5rem',
      sort: ({ type }) => type.size.heightMm,
      cell: (field) => (
        <span className="bare">
          <SizeInput side="heightMm" {...propsOf(field)} />
        </span>
      ),
    },
    ...compared
      .filter(({ setting }) => signingFields.some((field) => hasSetting(field, setting)))
      .map(({ setting, title, width }) => ({
        id: setting,
        title,
        width,
        cell: (field: Field) => <span className="bare">{input(field, setting)}</span>,
      })),
    ...(signingFields.some((field) => further.some((setting) => hasSetting(field, setting)))
      ? [
          {
            id: 'further',
            title: say('templates.further-settings'),
            cell: (field: Field) => (
              <div className="flex flex-wrap items-start gap-x-3">
                {further.map((setting) => input(field, setting))}
              </div>
            ),
          },
        ]
      : []),
    {
      id: 'card',
      title: '',
      width: '4rem',
      cell: (field) => (
        <Link to={`?open=${keyOfSubject({ kind: 'signing', name: field.name })}`}>
          {say('templates.on-the-page')}
          <span className="sr-only">
            {' '}
            {partyOf(field)} {calledIn(words, field)}
          </span>
        </Link>
      ),
    },
  ];
  return (
    <fieldset
      disabled={fixed}
      className="min-w-0 [&_.bare_.setting-title]:sr-only [&_.bare>label]:w-full"
    >
      <LedgerTable
        label={say('templates.signing-fields')}
        rows={signingFields}
        columns={columns}
        keyOf={({ name }) => name}
        wordsOf={(field) => `${partyOf(field)} ${calledIn(words, field)}`}
        fixed={fixed}
        empty={say('templates.no-signing-field-yet')}
        several={(chosen) => <SizeForAll chosen={chosen} onChange={put} />}
      />
    </fieldset>
  );
}

/** One size for all that are chosen. */
function SizeForAll({
  chosen,
  onChange,
}: {
  chosen: Field[];
  onChange: (fields: Field[]) => void;
}) {
  const [width, setWidth] = useState('');
  const [height, setHeight] = useState('');
  const given = (text: string, now: number) => (Number(text) > 0 ? Number(text) : now);
  return (
    <>
      {(
        [
          ['templates.width-in-mm', width, setWidth],
          ['templates.height-in-mm', height, setHeight],
        ] as const
      ).map(([code, value, set]) => (
        <label key={code} className="flex items-center gap-1">
          {say(code)}
          <input
            type="number"
            step="0.5"
            min="1"
            className={`${cellLook} w-20 border-edge`}
            value={value}
            onChange={(event) => set(event.target.value)}
          />
        </label>
      ))}
      <Button
        disabled={!Number(width) && !Number(height)}
        onClick={() =>
          onChange(
            chosen.map((field) => ({
              ...field,
              type: {
                ...field.type,
                size: {
                  widthMm: given(width, field.type.size.widthMm),
                  heightMm: given(height, field.type.size.heightMm),
                },
              },
            })),
          )
        }
      >
        {say('templates.set-for-all')}
      </Button>
    </>
  );
}
