export {
  CHOICES,
  choiceRows,
  LAYER_NAMES,
  numberRows,
  offsetRows,
  stringRows,
  turnRows,
  wayIn,
  withWay,
  type ChoiceKey,
  type WayRow,
} from './ways-form';
