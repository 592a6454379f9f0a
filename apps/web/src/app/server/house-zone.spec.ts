import { afterEach, expect, it } from 'vitest';
import { houseTime, houseZone, keepHouseZone } from './house-zone';

afterEach(() => keepHouseZone(null));

it('says times by the clock of the house, also after that is another', () => {
  const time = houseTime({ hour: '2-digit', minute: '2-digit' });
  const noon = Date.parse('2026-05-26T12:00:00Z');
  keepHouseZone('Europe/London');
  expect(time.format(noon)).toBe('13:00');
  keepHouseZone('America/New_York');
  expect(time.format(noon)).toBe('08:00');
});

it('goes by the device until it was told', () => expect(houseZone()).toBe(Intl.DateTimeFormat().resolvedOptions().timeZone));
