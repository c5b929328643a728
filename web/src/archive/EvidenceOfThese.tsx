import { useMutation } from '@tanstack/react-query';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { Button, Trouble } from '../ui/parts';
import { saveFile } from '../ui/saveFile';

/** The evidence of the agreements that a page of the archive shows, in one file. */
export function EvidenceOfThese({ numbers }: { numbers: string[] }) {
  const fetch = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/archive/evidence', { body: { numbers }, parseAs: 'blob' })),
    onSuccess: (file) => saveFile(file as unknown as Blob, say('archive.evidence-file')),
  });
  if (numbers.length === 0) return null;
  return (
    <>
      <Button disabled={fetch.isPending} onClick={() => fetch.mutate()}>
        {fetch.isPending
          ? say('archive.evidence-at-work')
          : say('archive.evidence-of-these', { count: numbers.length })}
      </Button>
      <Trouble error={fetch.error} />
    </>
  );
}
