import type { GradeReason } from '@/core/condition/grade';

import { gradeReason } from './condition';

it.each<[GradeReason, string]>([
  [{ code: 'use', params: { use: 'light' } }, 'lightly used'],
  [
    { code: 'flaw', params: { type: 'moth hole', place: 'hem', severity: 'serious' } },
    'serious: moth hole, hem',
  ],
  [{ code: 'flawsThatShow', params: { count: 3 } }, '3 flaws that show'],
  [{ code: 'broken', params: {} }, 'it does not work'],
  [{ code: 'worksInPart', params: {} }, 'it works in part'],
  [{ code: 'missing', params: { part: 'lid' } }, 'missing: lid'],
  [{ code: 'byHand', params: { why: '' } }, 'lowered by hand'],
  [{ code: 'byHand', params: { why: 'restored' } }, 'restored'],
])('%j: %s', (reason, words) => expect(gradeReason(reason)).toBe(words));
