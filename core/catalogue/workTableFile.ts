import { z } from 'zod'

/*
 * The work table as a file: what `scripts/measure-work.mjs` writes, what ships as
 * transcodeWork.json, and what can be
 * imported in its place. Everything is in reference streams.
 */
const number = z
  .number({ error: 'a number from 0 to 1000' })
  .min(0, { error: 'a number from 0 to 1000' })
  .max(1000, { error: 'a number from 0 to 1000' })
const coefficient = z
  .object(
    { value: number, low: number.optional(), high: number.optional() },
    { error: 'an object with a value, and a low and a high end when they were measured' },
  )
  .refine(({ value, low, high }) => (low ?? value) <= value && value <= (high ?? value), {
    error: 'low must not be above the value, nor the value above high',
  })

export const workTableFileSchema = z.object({
  unit: z.string().max(600).optional(),
  source: z
    .string({ error: 'a text that says how it was measured' })
    .min(1, { error: 'a text that says how it was measured' })
    .max(600),
  modelError: z
    .object({
      median: number.optional(),
      mean: number.optional(),
      max: number.optional(),
      note: z.string().max(600).optional(),
    })
    .optional(),
  coefficients: z.object(
    {
      decode: z.object({
        h264: coefficient,
        h264Disc: coefficient,
        mpeg2: coefficient,
        hevc8: coefficient,
        hevc10: coefficient,
        hevc10Uhd25: coefficient,
        hevc10Uhd60: coefficient,
        av1: coefficient,
        vc1: coefficient,
        vp9: coefficient,
      }),
      scale: coefficient,
      tonemap: coefficient,
      deinterlace: z.object({ sameRate: coefficient }),
      burn: z.object({ text: coefficient, bitmap: coefficient }),
      encode: z.object({ h264VeryFast: coefficient, hevcSuperFast: coefficient }),
      audio: z.object({ surroundToStereo: coefficient }),
      remux: coefficient,
    },
    { error: 'the coefficients of a work table' },
  ),
})
export type WorkTableFile = z.infer<typeof workTableFileSchema>
