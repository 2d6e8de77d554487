import { createStore, del, get, set } from 'idb-keyval';

const store = () => createStore('heavy-lantern-pictures', 'pictures');

/** Keeps a picture on the device until the server has it. */
export const keepOnDevice = (digest: string, picture: Blob): Promise<void> =>
  set(digest, picture, store());

/** Sends a picture that is kept on the device, where one is; false when the server could not be reached. */
export async function sendPicture(digest: string): Promise<boolean> {
  const picture = await get<Blob>(digest, store());
  if (!picture) return true;
  const answer = await fetch('/api/photos', { method: 'POST', body: picture }).catch(
    () => undefined,
  );
  // What the server says against it, it says again when the photograph is entered.
  return answer !== undefined && answer.status < 500;
}

/** Forgets a picture that the server has taken. */
export const dropFromDevice = (digest: string): Promise<void> => del(digest, store());
