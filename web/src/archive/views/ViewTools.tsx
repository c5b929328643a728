import { useState } from 'react';
import type { SetURLSearchParams } from 'react-router';
import { say } from '../../messages/rooms';
import { useMay } from '../../office/roles';
import { narrowLook } from '../../ui/list/Narrow';
import { Button } from '../../ui/parts';
import { changed, searchOf, type ArchiveColumn, type Asked } from './asked';
import { ChooseColumns } from './ChooseColumns';
import { KeepView } from './KeepView';
import { useFiledTemplates, useTemplateColumns, useViews } from './queries';

/** How the archive is looked at: by which view, of which template, under which headings; kept, or taken along as a file. */
export function ViewTools({
  asked,
  sort,
  params,
  setParams,
  columns,
}: {
  asked: Asked;
  sort: string;
  params: URLSearchParams;
  setParams: SetURLSearchParams;
  /** The template's columns. */
  columns: ArchiveColumn[];
}) {
  const [open, setOpen] = useState<'' | 'view' | 'columns'>('');
  const coordinator = useMay('COORDINATOR');
  const views = useViews().data ?? [];
  const templates = useFiledTemplates().data ?? [];
  const ofTemplate = useTemplateColumns(asked.template).data;
  const opened = views.find(({ id }) => id === params.get('view'));
  const go = (search: URLSearchParams) => setParams(search, { replace: true });
  const choose = (template: string) => {
    const usual = views.find((one) => one.usual && one.template === template);
    if (usual) go(searchOf(usual));
    // what another template's columns say is of no use here
    else
      go(
        changed(params, {
          template,
          where: [],
          columns: [],
          group: asked.group.startsWith('.') ? asked.group : '',
          ...{ sort: sort.includes('data.') ? '' : sort, view: '' },
        }),
      );
  };
  const select = (
    label: string,
    value: string,
    options: [string, string][],
    onChange: (value: string) => void,
  ) => (
    <span className="flex items-center gap-2 text-soft">
      <span aria-hidden="true">{label}</span>
      <select
        aria-label={label}
        className={`${narrowLook} max-w-56 text-ink`}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        {options.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </span>
  );
  const shown = asked.columns.length > 0 ? asked.columns : columns.map(({ key }) => key);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-2">
      {select(
        say('archive.view'),
        opened?.id ?? '',
        [
          ['', say('archive.as-it-comes')],
          ...views.map(({ id, name, shared }): [string, string] => [
            id,
            shared ? name : say('archive.own-view', { name }),
          ]),
        ],
        (id) => {
          const view = views.find((one) => one.id === id);
          go(view ? searchOf(view) : new URLSearchParams());
        },
      )}
      {select(
        say('archive.template'),
        asked.template,
        [
          ['', say('archive.all-templates')],
          ...templates.map(({ id, name }): [string, string] => [id, name]),
        ],
        choose,
      )}
      {select(
        say('archive.grouped-by'),
        asked.group,
        [
          ['', say('archive.nothing')],
          ['.ended', say('archive.month')],
          ...(asked.template ? [] : [['.template', say('archive.template')] as [string, string]]),
          ...columns
            .filter(({ kind }) => !['NUMBER', 'MONEY', 'ITEMS'].includes(kind))
            .map(({ key, label }): [string, string] => [key, label]),
        ],
        (group) => go(changed(params, { group })),
      )}
      {columns.length > 0 && (
        <details className="relative self-center">
          <summary className="min-h-8 cursor-pointer underline underline-offset-3">
            {say('archive.shown', { shown: shown.length, all: columns.length })}
          </summary>
          <fieldset className="absolute z-20 flex w-64 flex-col gap-1 border border-rule bg-sheet p-3">
            <legend className="sr-only">{say('archive.columns')}</legend>
            {columns.map(({ key, label }) => (
              <label key={key} className="flex min-h-7 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5"
                  checked={shown.includes(key)}
                  disabled={shown.length === 1 && shown.includes(key)}
                  onChange={() =>
                    go(
                      changed(params, {
                        columns: columns
                          .map((one) => one.key)
                          .filter((one) => (one === key) !== shown.includes(one)),
                      }),
                    )
                  }
                />
                {label}
              </label>
            ))}
          </fieldset>
        </details>
      )}
      {coordinator && ofTemplate && (
        <Button onClick={() => setOpen('columns')}>{say('archive.choose-columns')}</Button>
      )}
      <Button onClick={() => setOpen('view')}>{say('archive.keep-this-view')}</Button>
      {open === 'view' && (
        <KeepView
          asked={asked}
          sort={sort}
          opened={opened && (coordinator || !opened.shared) ? opened : undefined}
          coordinator={coordinator}
          onKept={(view) => go(view ? searchOf(view) : new URLSearchParams())}
          onClose={() => setOpen('')}
        />
      )}
      {open === 'columns' && ofTemplate && (
        <ChooseColumns
          template={asked.template}
          name={templates.find(({ id }) => id === asked.template)?.name ?? ''}
          columns={ofTemplate}
          onClose={() => setOpen('')}
        />
      )}
    </div>
  );
}
