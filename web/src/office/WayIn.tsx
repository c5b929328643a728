import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, describedBy, inputLook, Labelled } from '../ui/parts';
import { FormTrouble } from '../ui/FormTrouble';
import { handedIn, useServerFaults } from '../ui/serverFaults';
import { Unshown } from '../ui/Unshown';
import { Door } from './Door';
import { home } from './roles';
import { SignInForm } from './SignInForm';

/** Where a mailed way in leads: a password is chosen, and whoever chose it is in. */
export function WayIn() {
  const { secret = '' } = useParams();
  const path = { params: { path: { secret } } };
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [step, setStep] = useState<Schemas['SignInStep']>();
  const way = useQuery({
    queryKey: ['way-in', secret],
    queryFn: () => answer(api.GET('/api/v1/session/ways-in/{secret}', path)),
    retry: false,
    // it leads in once: what is shown here stays while it is used
    staleTime: Infinity,
  });
  const form = useForm<Schemas['NewPassword']>({ defaultValues: { password: '' } });
  const came = (session: Schemas['Session']) => {
    queries.clear();
    queries.setQueryData(['session'], session);
    void navigate(home(session), { replace: true });
  };
  const choose = useMutation({
    mutationFn: (body: Schemas['NewPassword']) => {
      return answer(api.POST('/api/v1/session/ways-in/{secret}', { ...path, body }));
    },
    onSuccess: (next) => (next.session ? came(next.session) : setStep(next)),
  });
  useServerFaults(choose.error, form.setError);
  if (!way.data)
    return (
      <Door title={say('door.way-in')}>
        <Unshown query={way} waiting={say('office.opening')} />
        <p className="pt-4">
          <Link to="/sign-in">{say('door.to-the-door')}</Link>
        </p>
      </Door>
    );
  const { name, mail, office, joined } = way.data;
  const title = joined ? say('door.new-password') : say('door.welcome', { name });
  if (step)
    return (
      <Door title={title}>
        <p className="pb-4">{say('door.chosen-now-show')}</p>
        <SignInForm shows={step.shows} onSignedIn={came} />
      </Door>
    );
  const fault = form.formState.errors.password?.message;
  return (
    <Door title={title}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={handedIn(form, (body) => choose.mutate(body))}
      >
        {!joined && <p>{say('door.welcome-hint', { office })}</p>}
        <Labelled id="way-in-mail" label={say('office.mail-address')}>
          <input
            id="way-in-mail"
            readOnly
            autoComplete="username"
            className={inputLook}
            value={mail}
          />
        </Labelled>
        <Labelled
          id="way-in-password"
          label={say('door.new-password')}
          hint={say('door.password-hint')}
          fault={fault}
        >
          <input
            id="way-in-password"
            type="password"
            autoComplete="new-password"
            className={inputLook}
            {...form.register('password')}
            {...describedBy('way-in-password', 'hint', fault)}
          />
        </Labelled>
        <FormTrouble error={choose.error} />
        <Button type="submit" look="main" className="self-start" disabled={choose.isPending}>
          {say('door.choose-and-come-in')}
        </Button>
      </form>
    </Door>
  );
}
