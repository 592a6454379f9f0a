export { BenchEventRow } from './bench-event.js';
export { buildStore, openStore } from './data-source.js';
export { HouseRow, THE_HOUSE, TurnsCountedRow } from './house.js';
export { JobRow } from './job.js';
export { PersonRow } from './person.js';
export { CurrentStringRow, InstrumentRow, OwnerRow, SetupRow } from './register.js';
export { SignInTryRow } from './session.js';
export { StockItemRow, StockMovementRow, StockUseRow, SupplyOrderRow } from './stock.js';
export { StringEntryRow, StringLineRow, StringSetRow, TuningEntryRow } from './strings.js';
