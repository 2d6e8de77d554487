import { readSectionProblem } from '../../../../server/ask-section';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { answerAboutSection } from '../section-query';

/** The planning problem of work on a section, for the planner that runs beside the screen. Changes nothing. */
export const GET = guarded((request: Request): Promise<Response> =>
  answerAboutSection(request, (section, activity) =>
    readSectionProblem(sharedDatabase(), section, activity),
  ),
);
