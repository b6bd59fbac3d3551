export { STUDY_KINDS, studyId, type StudyKind, type StudyVerdict } from './study';
