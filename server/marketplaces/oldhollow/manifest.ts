import { oldhollowAdapter } from './adapter';
import type { Manifest } from '../manifest';

export const oldhollow: Manifest = {
  id: 'oldhollow',
  callsBack: true,
  letsInByCode: true,
  open: oldhollowAdapter,
};
