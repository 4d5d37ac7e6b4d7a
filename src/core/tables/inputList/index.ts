/** Input lists: as engineers write them in spreadsheets and messages, read into a rig and written from it. */
export { gridFrom, type Grid } from './grid';
export { NEW_DEVICE, openRows, readInputList, type InputList, type Said } from './inputList';
export { type InputRow } from './row';
export { isWorkbook, readWorkbook, type Sheet } from './spreadsheet';
export { inputList } from './written';
export { ROLE_NAMES, ROLES, type Role } from './roles';
