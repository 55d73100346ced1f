import { lanternyardAdapter } from './adapter';
import type { Manifest } from '../manifest';

export const lanternyard: Manifest = {
  id: 'lanternyard',
  callsBack: false,
  letsInByCode: true,
  open: lanternyardAdapter,
};
