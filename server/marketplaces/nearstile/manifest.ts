import { nearstileAdapter } from './adapter';
import type { Manifest } from '../manifest';

export const nearstile: Manifest = {
  id: 'nearstile',
  callsBack: false,
  letsInByCode: true,
  open: nearstileAdapter,
};
