import { say } from '../messages/rooms';
import { useMay } from '../office/roles';
import { useAllTemplates } from '../templates/useAllTemplates';
import { narrowLook } from '../ui/list/Narrow';
import { useFiledTemplates } from './views/queries';

/** The templates that somebody can ask about: readers know templates by what was filed from them. */
export function useAskable(): { id: string; name: string }[] {
  const coordinator = useMay('COORDINATOR');
  const all = useAllTemplates(coordinator).data;
  const filed = useFiledTemplates().data;
  return (coordinator ? all : filed) ?? [];
}

/** Of which template; all where none is chosen. */
export function TemplateChoice({
  chosen,
  onChoose,
}: {
  chosen: string;
  onChoose: (template: string) => void;
}) {
  const templates = useAskable();
  return (
    <span className="flex items-center gap-2 text-soft">
      <span aria-hidden="true">{say('archive.template')}</span>
      <select
        aria-label={say('archive.template')}
        className={`${narrowLook} max-w-56 text-ink`}
        value={chosen}
        onChange={(event) => onChoose(event.target.value)}
      >
        <option value="">{say('archive.all-templates')}</option>
        {templates.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </span>
  );
}
