import { threadwickAdapter } from './adapter';
import type { Manifest } from '../manifest';

export const threadwick: Manifest = {
  id: 'threadwick',
  callsBack: false,
  letsInByCode: true,
  open: threadwickAdapter,
};
