/** Answers that stand in a form's address: sealed ones, and those that can be typed over. */
export function inAddress(search: string): {
  /** Sealed, as they are sent back; empty for none. */
  sealed: string;
  /** By field, as they are stored. */
  open: Record<string, string>;
  /** The secret by which a form is gone on with; empty for none. */
  go: string;
} {
  const address = new URLSearchParams(search);
  const open: Record<string, string> = {};
  for (const [name, value] of address) {
    if (!['answers', 'with', 'go', 'language'].includes(name)) open[name] = value;
  }
  return {
    sealed: address.get('answers') ?? '',
    open: { ...together(address.get('with') ?? ''), ...open },
    go: address.get('go') ?? '',
  };
}

/** Several answers as one parameter: JSON in base64url (RFC 4648 §5); nothing for what is none. */
function together(parameter: string): Record<string, string> {
  try {
    const bytes = atob(parameter.replaceAll('-', '+').replaceAll('_', '/'));
    const text = new TextDecoder().decode(Uint8Array.from(bytes, (one) => one.charCodeAt(0)));
    const all: unknown = JSON.parse(text);
    if (typeof all !== 'object' || all === null) return {};
    return Object.fromEntries(
      Object.entries(all).filter((one): one is [string, string] => typeof one[1] === 'string'),
    );
  } catch {
    return {};
  }
}
