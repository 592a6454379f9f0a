import { evidenceOf, type WorksheetFile } from '@gold-peg/contract/jobs';
import { stripRows, type CutStrip } from '@gold-peg/contract/papers';
import type { Person } from '@gold-peg/contract/people';
import { geometrySchema, toInstrument } from '@gold-peg/contract/register';
import { calibrate } from '@gold-peg/craft/calibration';
import { windString } from '@gold-peg/craft/procedure';
import { stringProperties } from '@gold-peg/craft/strings';
import { retuneAsLogged } from '@gold-peg/craft/tuning';
import { metres } from '@gold-peg/craft/units';
import { foldWorksheet, specOf } from '@gold-peg/craft/worksheet';

/** The cut strip of a job as its log stands; null while nothing is chosen. */
export function stripOfJob(file: WorksheetFile, { name, preferences }: Person): CutStrip | null {
  const { passport, events, house } = file;
  const noted = toInstrument(geometrySchema.parse(passport.geometry));
  const sheet = foldWorksheet(
    noted.strings.length,
    events.map(({ event }) => event),
  );
  const chosen = sheet.chosen?.payload;
  if (chosen === undefined) return null;
  const instrument = retuneAsLogged(noted, chosen.tuning);
  const strings = chosen.strings.map((string) => {
    const properties = stringProperties(specOf(instrument.family, string));
    return properties.ok ? properties.value : null;
  });
  const choices = { house, technician: preferences.methods, instrument: passport.methods };
  const postThicker = metres(calibrate(evidenceOf(file)).postThicker(passport.id).value);
  const plans = strings.map((string, index) =>
    string === null || sheet.inJob[index] === false ? null : windString({ instrument, index, string, choices, postThicker }),
  );
  return {
    heading: `${passport.name}: cut marks`,
    sub: `passport ${String(passport.passport).padStart(4, '0')} · ${chosen.name} · printed by ${name}`,
    rows: stripRows(instrument, strings, plans),
  };
}
