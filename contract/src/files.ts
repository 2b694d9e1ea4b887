import { z } from 'zod';
import { jobFields, surfaceFields } from './job';
import { coatingFields, companyFields, hoseFields, sprayerFields, tipFields } from './kit';
import { id } from './primitives';

/** The kit of a company as an open file: coatings, sprayers, hoses and tips. Lengths m, pressures Pa, volumes m³. */
export const kitFile = z
  .object({
    format: z.literal('fine-spray-kit'),
    version: z.literal(1),
    company: companyFields.safeExtend({ id }),
    coatings: z.array(coatingFields.safeExtend({ id })),
    sprayers: z.array(sprayerFields.safeExtend({ id })),
    hoses: z.array(hoseFields.safeExtend({ id })),
    tips: z.array(tipFields.safeExtend({ id })),
  })
  .strict();

/** A job with its surfaces as an open file; coatings, sprayer and hoses are named by their ids in the kit. */
export const jobFile = z
  .object({
    format: z.literal('fine-spray-job'),
    version: z.literal(1),
    job: jobFields.safeExtend({ id }),
    surfaces: z.array(surfaceFields.safeExtend({ id })),
  })
  .strict()
  .superRefine(({ job, surfaces }, context) => {
    surfaces.forEach((surface, index) => {
      if (surface.jobId !== job.id) {
        context.addIssue({
          code: 'custom',
          path: ['surfaces', index, 'jobId'],
          message: 'This surface belongs to another job.',
        });
      }
    });
  });

export type KitFile = z.infer<typeof kitFile>;
export type JobFile = z.infer<typeof jobFile>;
