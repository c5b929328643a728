import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useRegister } from '../registers/registers';

/** What a table was brought in for: a register, or a template. */
export function Subject({ table }: { table: Schemas['TableDetail'] }) {
  return table.purpose === 'RUN' ? (
    <Template id={table.subject} />
  ) : (
    <Register name={table.subject} />
  );
}

function Register({ name }: { name: string }) {
  const register = useRegister(name);
  return <Link to={`/registers/${name}`}>{register.data?.terms.title ?? name}</Link>;
}

function Template({ id }: { id: string }) {
  const template = useQuery({
    queryKey: ['template', id],
    queryFn: () => answer(api.GET('/api/v1/templates/{id}', { params: { path: { id } } })),
  });
  return <Link to={`/templates/${id}`}>{template.data?.name ?? ''}</Link>;
}
