export { fromInstrument, geometrySchema, toInstrument, type Geometry } from './geometry.js';
export {
  instrumentChange,
  instrumentDraft,
  instrumentSummary,
  ownerDraft,
  ownerSchema,
  passportSchema,
  setupSchema,
  type InstrumentDraft,
  type InstrumentSummary,
  type Owner,
  type Passport,
  type PastSetup,
} from './register.js';
