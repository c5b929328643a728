import { useMutation } from '@tanstack/react-query';
import { answer, api } from '../api/client';
import { useSay } from '../messages/useSay';
import { Button, Trouble } from '../ui/parts';

/** Goes straight on to sign; out of a frame of another site, since nobody signs inside of one. */
export function GoOnToSign({ secret }: { secret: string }) {
  const words = useSay();
  const go = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/asked/{secret}/signing', { params: { path: { secret } } })),
    onSuccess: ({ address }) => window.open(new URL(address).pathname, '_top'),
  });
  return (
    <>
      <Button look="main" className="min-h-11" disabled={go.isPending} onClick={() => go.mutate()}>
        {words.say('ask.go-on-to-sign')}
      </Button>
      <Trouble error={go.error} />
    </>
  );
}
