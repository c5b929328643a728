import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, upload, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { FileButton } from '../../ui/FileButton';
import { Button, Table, Trouble } from '../../ui/parts';
import { date } from '../../ui/time';

/** Whose certificates are trusted when files from elsewhere are checked. */
export function TrustedCertificates({ fixed }: { fixed: boolean }) {
  const queries = useQueryClient();
  const [page, setPage] = useState(0);
  const list = useQuery({
    queryKey: ['trusted-certificates', page],
    queryFn: () => answer(api.GET('/api/v1/archive/trusted', { params: { query: { page } } })),
    placeholderData: keepPreviousData,
  });
  const again = () => queries.invalidateQueries({ queryKey: ['trusted-certificates'] });
  const add = useMutation({
    mutationFn: (file: File) => upload<Schemas['Added']>('/api/v1/archive/trusted', file),
    onSuccess: again,
  });
  const remove = useMutation({
    mutationFn: (sha256: string) =>
      answer(api.DELETE('/api/v1/archive/trusted/{sha256}', { params: { path: { sha256 } } })),
    onSettled: again,
  });
  const { items = [], total = 0, size = 50 } = list.data ?? {};
  return (
    <section aria-label={say('check.trusted')} className="flex flex-col items-start gap-3">
      <h2 className="text-lg">{say('check.trusted')}</h2>
      <p className="max-w-[48rem] text-soft">{say('check.trusted-says')}</p>
      {!fixed && (
        <div className="flex items-center gap-4">
          <FileButton
            what={say('check.certificates-to-trust')}
            accept=".pem,.crt,.cer,.der,.p7b,.p7c,.xml"
            disabled={add.isPending}
            onFile={(file) => add.mutate(file)}
          >
            {say('check.trust-certificates')}
          </FileButton>
          {add.data && (
            <span role="status">{say('check.added', { count: add.data.certificates })}</span>
          )}
        </div>
      )}
      <Trouble error={add.error ?? remove.error ?? list.error} />
      {items.length > 0 && (
        <div className="w-full">
          <Table
            head={[
              say('check.name'),
              say('check.issuer'),
              say('check.valid'),
              say('check.came-with'),
              '',
            ]}
            widths={['32%', '26%', '16%', '16%', '10%']}
          >
            {items.map((one) => (
              <tr key={one.sha256}>
                <td className="truncate" title={one.subject}>
                  {one.subject}
                </td>
                <td className="truncate text-soft" title={one.issuer}>
                  {one.issuer}
                </td>
                <td className="whitespace-nowrap">
                  {say('check.from-until', { from: date(one.from), until: date(one.until) })}
                </td>
                <td
                  className="truncate text-soft"
                  title={say('check.added-by', { by: one.addedBy })}
                >
                  {one.source}
                </td>
                <td>
                  {!fixed && (
                    <Button
                      aria-label={say('check.trust-no-more-of', { subject: one.subject })}
                      disabled={remove.isPending}
                      onClick={() => remove.mutate(one.sha256)}
                    >
                      {say('check.trust-no-more')}
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </Table>
          {total > size && (
            <div className="flex items-center gap-3 pt-2">
              <Button disabled={page === 0} onClick={() => setPage(page - 1)}>
                {say('check.page-before')}
              </Button>
              <span>
                {say('check.page-of', { page: page + 1, pages: Math.ceil(total / size) })}
              </span>
              <Button disabled={(page + 1) * size >= total} onClick={() => setPage(page + 1)}>
                {say('check.page-after')}
              </Button>
            </div>
          )}
        </div>
      )}
    </section>
  );
}
