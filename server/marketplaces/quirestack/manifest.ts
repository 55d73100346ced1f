import { quirestackAdapter } from './adapter';
import type { Manifest } from '../manifest';

export const quirestack: Manifest = {
  id: 'quirestack',
  callsBack: false,
  letsInByCode: true,
  open: quirestackAdapter,
};
