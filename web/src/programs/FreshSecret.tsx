import { CopyAddress } from '../intake/links/CopyAddress';
import { say } from '../messages/rooms';
import { Button } from '../ui/parts';
import { DialogShell } from '../ui/DialogShell';

/** A secret that is shown this once. @param id what a signature names it by; left out where it is sent along */
export function FreshSecret({
  title,
  id,
  secret,
  onClose,
}: {
  title: string;
  id?: string | undefined;
  secret: string;
  onClose: () => void;
}) {
  return (
    <DialogShell open title={title} width="wide">
      <p className="pb-3">{say('programs.secret-once')}</p>
      <dl className="grid grid-cols-[auto_1fr_auto] items-center gap-x-4 gap-y-2 pb-4">
        {id && (
          <>
            <dt className="text-soft">{say('programs.key-id')}</dt>
            <dd className="font-mono wrap-anywhere">{id}</dd>
            <dd>
              <CopyAddress address={id} title={say('programs.key-id')} />
            </dd>
          </>
        )}
        <dt className="text-soft">{say('programs.secret')}</dt>
        <dd className="font-mono wrap-anywhere">{secret}</dd>
        <dd>
          <CopyAddress address={secret} title={say('programs.secret')} />
        </dd>
      </dl>
      <Button look="main" onClick={onClose}>
        {say('programs.secret-kept')}
      </Button>
    </DialogShell>
  );
}
