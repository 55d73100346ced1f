/** Where the shop may send to, by the zone its keeper asks postage for. Invented. */
export const COUNTRIES = [
  { id: 'home', name: 'Marram Coast', zone: 'inland' },
  { id: 'osmark', name: 'Osmark', zone: 'near' },
  { id: 'vell', name: 'Vell', zone: 'near' },
  { id: 'amity', name: 'Port Amity', zone: 'far' },
] as const;
export type Country = (typeof COUNTRIES)[number];

/** The one of this id; home where there is none. */
export function countryOf(id: string | undefined): Country {
  return COUNTRIES.find((c) => c.id === id) ?? COUNTRIES[0];
}
