import { answerSection } from '../../../../server/ask-section';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { answerAboutSection } from '../section-query';

/** What can reach a section and which jobs stand on it, before any job is raised there. Changes nothing. */
export const GET = guarded((request: Request): Promise<Response> =>
  answerAboutSection(request, (section, activity) =>
    answerSection(sharedDatabase(), section, activity),
  ),
);
