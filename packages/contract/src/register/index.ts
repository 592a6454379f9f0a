export { fromInstrument, geometrySchema, toInstrument, type Geometry } from './geometry.js';
export {
  geometryChange,
  houseSchema,
  instrumentChange,
  instrumentDraft,
  instrumentSummary,
  methodsChange,
  ownerDraft,
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
