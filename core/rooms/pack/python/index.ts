export { PROGRAM_FILE, pythonText, SETTINGS_FILE, SETTINGS_TEXT } from './program';
