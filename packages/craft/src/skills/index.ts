export { FAULTS, HARDEST, measureOf, OCTAVE_ANSWERS, SKILLS, type Fault, type OctavePlace, type Skill } from './skills.js';
