import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { Blind } from '../blind/Blind';
import { Table } from '../ui/parts';
import { since } from '../ui/time';
import { stateWords, waitingFor } from '../ui/words';

type Item = Schemas['AgreementItem'];

const stateLook: Partial<Record<Item['state'], string>> = {
  COMPLETED: 'text-moss',
  CHECK: 'text-clay',
  OUT: 'text-clay',
  DECLINED: 'text-oxide',
  EXPIRED: 'text-oxide',
  WITHDRAWN: 'text-oxide',
};

/** Agreements as a dense list: what, where it stands, with whom, since when. */
export function AgreementRows({
  items,
  room,
}: {
  items: Item[];
  room: '/agreements' | '/archive';
}) {
  return (
    <Table
      head={['Route', 'Number', 'Agreement', 'Template', 'State', 'Waits for', 'Since']}
      widths={['5.5rem', '8rem', '30%', '15%', '8rem', '20%', '9rem']}
    >
      {items.map((item) => (
        <tr key={item.number}>
          <td>
            <Blind slats={item.route} sealed={item.state === 'COMPLETED'} />
          </td>
          <td className="whitespace-nowrap">
            <Link to={`${room}/${item.number}`}>{item.number}</Link>
          </td>
          <td className="truncate">{item.title}</td>
          <td className="truncate text-soft">{item.template}</td>
          <td className={`whitespace-nowrap ${stateLook[item.state] ?? ''}`}>
            {stateWords[item.state]}
          </td>
          <td className="truncate">{waitingFor(item)}</td>
          <td className="whitespace-nowrap text-soft">{since(item.since)}</td>
        </tr>
      ))}
    </Table>
  );
}
