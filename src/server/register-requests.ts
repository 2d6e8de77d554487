import { REGISTER_NAMES, type RegisterName } from '../core/registers/schema';
import { respondError } from './respond';
import { findHolder } from './session';

/** What a route of a register is given by its address. */
export interface OfRegister {
  readonly params: Promise<{ readonly name: string }>;
}

/** The register that an address names, or the response that there is none. */
export async function findRegister({
  params,
}: OfRegister): Promise<
  | { readonly ok: true; readonly name: RegisterName }
  | { readonly ok: false; readonly response: Response }
> {
  const { name } = await params;
  const found = REGISTER_NAMES.find((one) => one === name);
  return found
    ? { ok: true, name: found }
    : { ok: false, response: respondError(404, 'There is no such register.') };
}

/** The register that an address names, and who keeps the registers and is signed in; or the response that refuses anyone else. */
export async function findKept(
  of: OfRegister,
): Promise<
  | { readonly ok: true; readonly name: RegisterName; readonly actor: string }
  | { readonly ok: false; readonly response: Response }
> {
  const who = await findHolder(
    ['site-manager', 'coordinator'],
    'Only a site manager or a coordinator may change a register.',
  );
  if (!who.ok) return who;
  const found = await findRegister(of);
  return found.ok ? { ...found, actor: who.person.id } : found;
}
