import type { Found } from '../../sim';

/** What a stand-in answered. */
export type SimAnswer =
  | ({ readonly kind: 'proof' } & Found)
  | { readonly kind: 'try-start'; readonly moved: boolean }
  | { readonly kind: 'take-lock'; readonly lock?: string };
