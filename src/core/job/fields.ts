import { z } from 'zod';

/** Fields that commands share. */
const text = z
  .string()
  .refine((given) => given.isWellFormed(), { message: 'holds half a character' })
  .trim();
export const id = text.min(1).max(80);
export const words = text.min(1).max(2000);
export const note = text.max(2000);
