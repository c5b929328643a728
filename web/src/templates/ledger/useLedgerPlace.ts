import { useSearchParams } from 'react-router';

/** Filter and order of a ledger's table; they live in the address. */
export function useLedgerPlace() {
  const [address, setAddress] = useSearchParams();
  const put = (name: string, value: string) =>
    setAddress(
      (now) => {
        if (value) now.set(name, value);
        else now.delete(name);
        return now;
      },
      { replace: true },
    );
  return {
    table: address.get('table') ?? '',
    find: address.get('find') ?? '',
    sort: address.get('sort') ?? '',
    onTable: (table: string) =>
      setAddress(
        (now) => {
          now.set('table', table);
          now.delete('find');
          now.delete('sort');
          return now;
        },
        { replace: true },
      ),
    onFind: (find: string) => put('find', find),
    onSort: (sort: string) => put('sort', sort),
  };
}
