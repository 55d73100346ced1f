import { brackenmoorAdapter } from './adapter';
import type { Manifest } from '../manifest';

export const brackenmoor: Manifest = {
  id: 'brackenmoor',
  callsBack: true,
  letsInByCode: true,
  open: brackenmoorAdapter,
};
