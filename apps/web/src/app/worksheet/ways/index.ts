export { CHOICES, LAYER_NAMES } from './ways-form';
