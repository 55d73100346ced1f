import { handbillAdapter } from './adapter';
import type { Manifest } from '../manifest';

export const handbill: Manifest = {
  id: 'handbill',
  callsBack: false,
  letsInByCode: false,
  open: () => handbillAdapter(),
};
