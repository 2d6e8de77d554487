import {
  createPrivateKey,
  createPublicKey,
  generateKeyPairSync,
  sign,
  verify,
  type KeyObject,
} from 'node:crypto';
import { findBeside, readOwnFile, type Db } from '../db';

/** Signs what the ledger says, with a key that is not in the database. */
export interface Signer {
  readonly sign: (text: string) => string;
  readonly isSigned: (text: string, signature: string) => boolean;
}

const makeKey = (): string =>
  generateKeyPairSync('ed25519').privateKey.export({ type: 'pkcs8', format: 'pem' }).toString();

/** Where the key of a database lies: beside it unless LANTERN_KEY names another place; undefined for one in memory. */
export const findKeyFile = (db: Db): string | undefined =>
  findBeside(db, 'key') && (process.env.LANTERN_KEY ?? findBeside(db, 'key'));

function makeSigner(key: KeyObject): Signer {
  const open = createPublicKey(key);
  return {
    sign: (text) => sign(null, Buffer.from(text), key).toString('base64'),
    isSigned: (text, signature) => {
      try {
        return verify(null, Buffer.from(text), open, Buffer.from(signature, 'base64'));
      } catch {
        return false;
      }
    },
  };
}

/** A signer by the key in a file; the file is made when it is not there. */
export const openSigner = (file: string): Signer =>
  makeSigner(createPrivateKey(readOwnFile(file, makeKey)));

const signers = new WeakMap<Db['$client'], Signer>();

/** Has a database signed with a key that does not lie beside it, while it is being put together under another name. */
export const signWith = (db: Db, signer: Signer): void => void signers.set(db.$client, signer);

/** The signer of a database; one in memory has a key that goes with it. */
export function signerOf(db: Db): Signer {
  const known = signers.get(db.$client);
  if (known) return known;
  const file = findKeyFile(db);
  const signer = file === undefined ? makeSigner(createPrivateKey(makeKey())) : openSigner(file);
  signers.set(db.$client, signer);
  return signer;
}
