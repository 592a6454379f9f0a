export { PlainStage } from './plain-stage';
