import type { Schemas } from '../../api/client';
import { useSay } from '../../messages/useSay';

/** Which of several documents is looked at; nothing for one that is alone. */
export function ChooseDocument({
  documents,
  shown,
  onShow,
}: {
  documents: Schemas['LiveTitle'][];
  shown: string;
  onShow: (id: string) => void;
}) {
  const words = useSay();
  if (documents.length < 2) return null;
  return (
    <ol aria-label={words.say('form.live-documents')} className="flex flex-wrap gap-1 pb-2">
      {documents.map(({ id, title }) => (
        <li key={id}>
          <button
            type="button"
            aria-current={id === shown ? 'true' : undefined}
            className={`min-h-8 max-w-64 truncate border-b-2 px-2 ${id === shown ? 'border-ink font-semibold' : 'border-rule text-soft hover:text-ink'}`}
            onClick={() => onShow(id)}
          >
            {title}
          </button>
        </li>
      ))}
    </ol>
  );
}
