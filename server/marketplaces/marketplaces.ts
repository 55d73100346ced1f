import { brackenmoor } from './brackenmoor/manifest';
import { handbill } from './handbill/manifest';
import { lanternyard } from './lanternyard/manifest';
import type { Manifest } from './manifest';
import { nearstile } from './nearstile/manifest';
import { oldhollow } from './oldhollow/manifest';
import { quirestack } from './quirestack/manifest';
import { threadwick } from './threadwick/manifest';

/** Every marketplace there is, in the order people see them. */
export const MARKETPLACES: readonly Manifest[] = [
  brackenmoor,
  threadwick,
  nearstile,
  oldhollow,
  quirestack,
  lanternyard,
  handbill,
];
