import { z } from 'zod';

/** Fields that commands share. */
export const id = z.string().trim().min(1).max(80);
export const words = z.string().trim().min(1).max(2000);
export const note = z.string().trim().max(2000);
