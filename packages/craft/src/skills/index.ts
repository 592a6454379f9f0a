export {
  FAULTS,
  FAULTS_AT,
  HARDEST,
  measureOf,
  OCTAVE_ANSWERS,
  SKILLS,
  type Fault,
  type FaultOf,
  type FaultPlace,
  type OctavePlace,
  type Skill,
} from './skills.js';
