import { GRADES, type Grade } from '../plant';

/** Place of a grade in the order of strength, 0 for the weakest. */
export const rankGrade = (grade: Grade): number => GRADES.indexOf(grade);

export const strongerGrade = (a: Grade, b: Grade): Grade => (rankGrade(a) >= rankGrade(b) ? a : b);
