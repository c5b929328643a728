import { answer, api, Problem, type Schemas } from '../api/client';
import { say } from '../messages/rooms';

/** Bytes as WebAuthn's JSON has them: base64url (RFC 4648 § 5) without padding. */
export function toText(bytes: ArrayBuffer): string {
  const text = Array.from(new Uint8Array(bytes), (one) => String.fromCharCode(one)).join('');
  return btoa(text).replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '');
}

export function toBytes(text: string): Uint8Array<ArrayBuffer> {
  const plain = atob(text.replaceAll('-', '+').replaceAll('_', '/'));
  return Uint8Array.from(plain, (one) => one.charCodeAt(0));
}

/** What the device said, or why it said nothing: it was put off, took too long, or has no such passkey. */
async function asked<T>(device: Promise<Credential | null>): Promise<T> {
  try {
    const given = await device;
    if (given) return given as T;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'InvalidStateError')
      throw new Problem(say('door.passkey-there'), 0, {});
  }
  throw new Problem(say('door.passkey-nothing'), 0, {});
}

type Answer<T extends AuthenticatorResponse> = PublicKeyCredential & { response: T };

function written(given: PublicKeyCredential, response: Record<string, string>): string {
  return JSON.stringify({
    id: given.id,
    rawId: toText(given.rawId),
    type: given.type,
    clientExtensionResults: {},
    response,
  });
}

/** Signs in by a passkey. */
export async function showPasskey(): Promise<Schemas['SignInStep']> {
  const wanted = await answer(api.POST('/api/v1/session/passkey/challenge'));
  const given = await asked<Answer<AuthenticatorAssertionResponse>>(
    navigator.credentials.get({
      publicKey: {
        challenge: toBytes(wanted.challenge),
        rpId: wanted.place,
        userVerification: 'required',
      },
    }),
  );
  const { clientDataJSON, authenticatorData, signature, userHandle } = given.response;
  const credential = written(given, {
    clientDataJSON: toText(clientDataJSON),
    authenticatorData: toText(authenticatorData),
    signature: toText(signature),
    ...(userHandle && { userHandle: toText(userHandle) }),
  });
  return answer(api.POST('/api/v1/session/passkey', { body: { credential } }));
}

/** Has a device make a passkey. @param current the password; empty for who has none */
export async function makePasskey(
  title: string,
  current: string,
): Promise<Schemas['RecoveryCodes']> {
  const wanted = await answer(
    api.POST('/api/v1/account/passkeys/challenge', { body: { current } }),
  );
  const given = await asked<Answer<AuthenticatorAttestationResponse>>(
    navigator.credentials.create({
      publicKey: {
        challenge: toBytes(wanted.challenge),
        rp: { id: wanted.place, name: wanted.office },
        user: { id: toBytes(wanted.person), name: wanted.mail, displayName: wanted.name },
        pubKeyCredParams: wanted.algorithms.map((alg) => ({ type: 'public-key', alg })),
        excludeCredentials: wanted.have.map((id) => ({ type: 'public-key', id: toBytes(id) })),
        authenticatorSelection: {
          residentKey: 'required',
          requireResidentKey: true,
          userVerification: 'required',
        },
      },
    }),
  );
  const credential = written(given, {
    clientDataJSON: toText(given.response.clientDataJSON),
    attestationObject: toText(given.response.attestationObject),
  });
  return answer(api.POST('/api/v1/account/passkeys', { body: { title, shown: { credential } } }));
}
