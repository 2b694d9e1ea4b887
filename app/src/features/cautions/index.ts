export { AskOnce } from './AskOnce';
export { STEPS_ON, STEP_TITLES, SiteCautions, type CautionScreen } from './SiteCautions';
