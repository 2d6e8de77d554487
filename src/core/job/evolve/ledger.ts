/** What is known, by id. */
export type Ledger<T> = Readonly<Record<string, T>>;
export const put = <T>(all: Ledger<T>, key: string, value: T): Ledger<T> => ({
  ...all,
  [key]: value,
});
export const drop = <T>(all: Ledger<T>, key: string): Ledger<T> =>
  Object.fromEntries(Object.entries(all).filter(([one]) => one !== key));
