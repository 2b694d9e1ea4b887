export { SaveLine } from './SaveLine';
export { sentences, useDraft } from './useDraft';
export { useAutosave, type SaveState } from './useAutosave';
export { useForm, type Form } from './useForm';
