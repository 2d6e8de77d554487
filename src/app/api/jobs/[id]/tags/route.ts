import { TAG_PRINTERS } from '../../../../../core/job';
import { sharedDatabase } from '../../../../../server/database';
import { respondError } from '../../../../../server/respond';
import { findHolder } from '../../../../../server/session';
import { readTags } from '../../../../../server/tags';
import { guarded } from '../../../../../server/guarded';

/** Hands out the tags of a job as a PDF, A6 one a page; `point` asks for a single one. */
export const GET = guarded(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const who = await findHolder(
      TAG_PRINTERS,
      'Tags are printed by an isolating authority or the coordinator.',
    );
    if (!who.ok) return who.response;
    const { id } = await params;
    const point = new URL(request.url).searchParams.get('point') ?? undefined;
    const tags = await readTags(sharedDatabase(), id, point);
    switch (tags.kind) {
      case 'no-job':
        return respondError(404, `There is no job ${id.slice(0, 40)}.`);
      case 'no-such-point':
        return respondError(404, `The plan of ${id} has no point ${point?.slice(0, 40) ?? ''}.`);
      case 'refused':
        return Response.json(
          { ok: false, kind: 'refused', refusals: [tags.refusal] },
          { status: 409 },
        );
      case 'printed':
        return new Response(new Uint8Array(tags.pdf), {
          headers: {
            'content-type': 'application/pdf',
            'content-disposition': `inline; filename="tags-${id}.pdf"`,
          },
        });
    }
  },
);
