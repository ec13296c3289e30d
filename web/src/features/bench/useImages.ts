import type { Answer } from '@/api/client'
import { useLive, type Live } from '@/api/live'

/** The images of a case, and whether each is there. Nobody tells when a file goes: any change is a reason to look. */
export function useImages(number: () => string): Live<Answer<'/api/cases/{number}/images', 'get'>> {
  return useLive(
    '/api/cases/{number}/images',
    () => ({ path: { number: number() } }),
    (_, c) => c === number(),
  )
}
