import { useSearchParams } from 'react-router';
import { Button, inputLook } from './parts';

/** Filter and page of a list, kept in the address. */
export function useListPlace() {
  const [params, setParams] = useSearchParams();
  const find = params.get('find') ?? '';
  const page = Number(params.get('page') ?? '0') || 0;
  function go(next: Record<string, string>) {
    const changed = new URLSearchParams(params);
    for (const [key, value] of Object.entries(next)) {
      if (value) changed.set(key, value);
      else changed.delete(key);
    }
    setParams(changed, { replace: true });
  }
  return { params, find, page, go };
}

export function Filter({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
}) {
  return (
    <input
      type="search"
      aria-label={label}
      placeholder={`${label}  ( / )`}
      className={`${inputLook} max-w-96`}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

export function Pager({
  page,
  size,
  total,
  onPage,
}: {
  page: number;
  size: number;
  total: number;
  onPage: (page: number) => void;
}) {
  if (total <= size) return <p className="pt-2 text-soft">{total} in all</p>;
  return (
    <nav aria-label="Pages of the list" className="flex items-center gap-3 pt-2">
      <Button disabled={page === 0} onClick={() => onPage(page - 1)}>
        Newer
      </Button>
      <span className="text-soft">
        {page * size + 1} to {Math.min((page + 1) * size, total)} of {total}
      </span>
      <Button disabled={(page + 1) * size >= total} onClick={() => onPage(page + 1)}>
        Older
      </Button>
    </nav>
  );
}
