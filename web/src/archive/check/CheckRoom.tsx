import { useMutation } from '@tanstack/react-query';
import { Link } from 'react-router';
import { upload, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { useMay } from '../../office/roles';
import { DropFiles } from '../../ui/DropFiles';
import { RoomTitle, Trouble } from '../../ui/parts';
import { CheckResult } from './CheckResult';
import { Signatures } from './Signatures';
import { TrustedCertificates } from './TrustedCertificates';

/** Any file that somebody brings: whose it is, who signed it with what, what each signature covers and what came after. */
export default function CheckRoom() {
  const coordinator = useMay('COORDINATOR');
  const check = useMutation({
    mutationFn: async (file: File) => ({
      name: file.name,
      bytes: new Uint8Array(await file.arrayBuffer()),
      found: await upload<Schemas['FileChecked']>('/api/v1/archive/check', file),
    }),
  });
  const whose = check.data?.found.agreement ?? '';
  const packed = check.data?.bytes[0] === 0x50 && check.data.bytes[1] === 0x4b;
  return (
    <>
      <RoomTitle title={say('check.check-a-file')} />
      <DropFiles
        says={say('check.drop-it-here')}
        what={say('check.file-to-check')}
        accept=".pdf,.asice,.docx"
        disabled={check.isPending}
        onFiles={([file]) => file && check.mutate(file)}
      >
        {check.isPending ? say('archive.checking') : say('check.choose-a-file')}
      </DropFiles>
      <Trouble error={check.error} />
      {check.data && (
        <div className="flex flex-col gap-4 pb-6">
          <h2 className="text-lg break-words">{check.data.name}</h2>
          {/* an archive of files, and a Word file, are nobody's agreement */}
          {!packed && (
            <p>
              {whose ? (
                <>
                  {say('archive.it-belongs-to')}
                  <Link to={`/agreements/${whose}`} className="underline underline-offset-3">
                    {whose}
                  </Link>
                  .
                </>
              ) : (
                say('check.none-of-ours')
              )}
            </p>
          )}
          <CheckResult
            title={say('archive.the-file')}
            result={{
              ...check.data.found.result,
              ...(packed ? {} : { signatures: [] }),
            }}
          />
          <Signatures checked={check.data.found} bytes={check.data.bytes} />
        </div>
      )}
      <TrustedCertificates fixed={!coordinator} />
    </>
  );
}
