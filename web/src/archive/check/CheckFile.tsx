import { useMutation } from '@tanstack/react-query';
import { upload, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { FileButton } from '../../ui/FileButton';
import { Trouble } from '../../ui/parts';
import { CheckResult } from './CheckResult';

/** Checks a copy that somebody has of one agreement. */
export function CheckFile({ number }: { number: string }) {
  const check = useMutation({
    mutationFn: (file: File) =>
      upload<Schemas['FileChecked']>(
        `/api/v1/archive/check?number=${encodeURIComponent(number)}`,
        file,
      ),
  });
  return (
    <div className="flex flex-col items-start gap-3">
      <FileButton
        what={say('archive.copy-of-to-check', { number })}
        accept=".pdf"
        disabled={check.isPending}
        onFile={(file) => check.mutate(file)}
      >
        {check.isPending ? say('archive.checking') : say('archive.check-another-copy')}
      </FileButton>
      <Trouble error={check.error} />
      {check.data && <CheckResult title={say('archive.the-file')} result={check.data.result} />}
    </div>
  );
}
