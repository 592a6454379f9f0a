const KEPT = 'gold-peg.zone';

/** The time zone in which the house keeps its hours; the device's own until it was told. */
export const houseZone = (): string => localStorage.getItem(KEPT) ?? Intl.DateTimeFormat().resolvedOptions().timeZone;

export function keepHouseZone(zone: string | null): void {
  if (zone === null) localStorage.removeItem(KEPT);
  else if (zone !== houseZone()) localStorage.setItem(KEPT, zone);
}

/** Says times by the clock of the house, wherever the device is: what is promised for 13:00 is promised for 13:00 on every screen. */
export function houseTime(options: Intl.DateTimeFormatOptions): { format(date: Date | number): string } {
  let made: { zone: string; format: Intl.DateTimeFormat } | null = null;
  return {
    format(date) {
      const zone = houseZone();
      if (made === null || made.zone !== zone) made = { zone, format: new Intl.DateTimeFormat('en-GB', { ...options, timeZone: zone }) };
      return made.format.format(date);
    },
  };
}
