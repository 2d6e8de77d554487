import { z } from 'zod';
import { ROLES } from './people';

const instant = z.iso.datetime();

/** An authorisation as it is kept and sent. */
export const authorisationSchema = z.strictObject({
  role: z.enum(ROLES),
  from: instant.optional(),
  until: instant,
  up_to_v: z.number().gt(0).max(2_000_000).optional(),
  areas: z.array(z.string().min(1).max(80)).max(200).optional(),
  evidence: z.string().trim().max(400).optional(),
  by: z.string().max(80).optional(),
});

export const authorisationsSchema = z.array(authorisationSchema).max(60);

/** A person as a site manager sends them. */
export const personSchema = z.strictObject({
  id: z
    .string()
    .trim()
    .min(1)
    .max(40)
    .regex(/^[a-z][a-z0-9-]*$/, 'is small letters, digits and hyphens, and begins with a letter'),
  name: z.string().trim().min(1).max(80),
  employer: z.string().trim().min(1).max(80),
  authorisations: authorisationsSchema,
  leftAt: instant.optional(),
});
