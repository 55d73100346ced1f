import { compare } from './compare';

it('foretells every refusal, and stops nothing that would be taken', () => {
  const parity = compare(60);
  // Both sides have to come up for the agreement to mean something.
  expect(parity.accepted).toBeGreaterThan(parity.listings * 0.2);
  expect(parity.refused).toBeGreaterThan(parity.listings * 0.2);
  expect(parity.twins).toBeGreaterThan(0);
  expect(parity.disagreements).toEqual([]);
});
