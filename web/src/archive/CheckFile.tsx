import { say } from '../messages/rooms';
import { useMutation } from '@tanstack/react-query';
import { Link } from 'react-router';
import { upload, type Schemas } from '../api/client';
import { FileButton } from '../ui/FileButton';
import { Trouble } from '../ui/parts';
import { CheckResult } from './CheckResult';

/** Checks a copy that somebody has: against one agreement, or against all to find out whose it is. */
export function CheckFile({ number = '' }: { number?: string }) {
  const check = useMutation({
    mutationFn: (file: File) =>
      upload<Schemas['FileChecked']>(
        `/api/v1/archive/check?number=${encodeURIComponent(number)}`,
        file,
      ),
  });
  const whose = check.data?.agreement ?? '';
  return (
    <div className="flex flex-col items-start gap-3">
      <FileButton
        what={number ? say('archive.copy-of-to-check', { number }) : say('archive.pdf-to-check')}
        accept=".pdf"
        disabled={check.isPending}
        onFile={(file) => check.mutate(file)}
      >
        {check.isPending
          ? say('archive.checking')
          : number
            ? say('archive.check-another-copy')
            : say('archive.check-a-pdf')}
      </FileButton>
      <Trouble error={check.error} />
      {check.data && (
        <>
          {!number && whose && (
            <p>
              {say('archive.it-belongs-to')}
              <Link to={`/agreements/${whose}`}>{whose}</Link>.
            </p>
          )}
          <CheckResult title={say('archive.the-file')} result={check.data.result} />
        </>
      )}
    </div>
  );
}
