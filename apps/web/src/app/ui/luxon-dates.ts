import type { EnvironmentProviders, Provider } from '@angular/core';
import { MAT_DATE_LOCALE } from '@angular/material/core';
import { Settings } from 'luxon';
import { houseZone } from '../server/house-zone';
import { MAT_LUXON_DATE_ADAPTER_OPTIONS, provideLuxonDateAdapter } from '@angular/material-luxon-adapter';

// what is picked is picked by the clock of the house
Settings.defaultZone = houseZone();

/** Days are typed day first, weeks begin on Monday. */
export const LUXON_DATES: (Provider | EnvironmentProviders)[] = [
  provideLuxonDateAdapter(),
  { provide: MAT_LUXON_DATE_ADAPTER_OPTIONS, useValue: { useUtc: false, firstDayOfWeek: 1, defaultOutputCalendar: 'gregory' } },
  { provide: MAT_DATE_LOCALE, useValue: 'en-GB' },
];
