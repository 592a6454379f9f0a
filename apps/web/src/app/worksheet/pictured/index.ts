export { PicturedStage } from './pictured-stage';
export { scenesInHand } from './scenes-in-hand';
