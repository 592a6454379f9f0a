import type { Wrap } from '../constants/index.js';
import type { StringSpec, TableString } from '../strings/index.js';
import type { Construction, CoreShape, Family, Finish } from '../string-kinds/index.js';
import { fromMillimetres, kilogramsPerMetre, toMillimetres } from '../units/index.js';

/** A string as the log keeps it: plain JSON, the unit in the name, whole enough to be computed when the table has changed since. */
export interface LoggedString {
  construction: Construction;
  gaugeMm: number;
  wrap?: Wrap | undefined;
  finish?: Finish | undefined;
  layers?: number | undefined;
  silk?: boolean | undefined;
  coreShape?: CoreShape | undefined;
  coreMm?: number | undefined;
  /** Weighed, not computed. */
  linearDensityKgPerM?: number | undefined;
  /** Its row of the strings table. */
  stringId?: string | undefined;
}

export const logString = ({
  id,
  construction,
  gauge,
  wrap,
  finish,
  layers,
  silk,
  coreShape,
  core,
  linearDensity,
}: TableString): LoggedString =>
  given({
    construction,
    gaugeMm: Number(toMillimetres(gauge).toFixed(6)),
    wrap,
    finish,
    layers,
    silk,
    coreShape,
    coreMm: core === undefined ? undefined : toMillimetres(core),
    linearDensityKgPerM: linearDensity,
    stringId: id,
  });

export const specOf = (family: Family, logged: LoggedString): StringSpec =>
  given({
    family,
    construction: logged.construction,
    gauge: fromMillimetres(logged.gaugeMm),
    wrap: logged.wrap,
    finish: logged.finish,
    layers: logged.layers,
    silk: logged.silk,
    coreShape: logged.coreShape,
    core: logged.coreMm === undefined ? undefined : fromMillimetres(logged.coreMm),
    linearDensity: logged.linearDensityKgPerM === undefined ? undefined : kilogramsPerMetre(logged.linearDensityKgPerM),
  }) as StringSpec;

/** Without the fields that are not given. */
const given = <T extends object>(fields: T): T =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as T;
