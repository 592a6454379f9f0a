export { fromInstrument, geometrySchema, toInstrument, type Geometry } from './geometry.js';
export {
  geometryChange,
  houseSchema,
  instrumentChange,
  instrumentDraft,
  instrumentPage,
  instrumentSummary,
  methodsChange,
  MOST_COUNTED,
  newOwner,
  ownerDraft,
  ownerPage,
  ownerSchema,
  passportSchema,
  setupSchema,
  type House,
  type InstrumentDraft,
  type InstrumentSummary,
  type Owner,
  type Passport,
  type PastSetup,
} from './register.js';
export { neckReadings, pullOf } from './pulls.js';
