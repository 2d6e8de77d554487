import { writeGraphml, writeSheets } from '../../../../core/plant';
import { sharedDatabase } from '../../../../server/database';
import { hasPlantVersion, readGraph, readPlantVersion } from '../../../../server/plant';
import { respondError } from '../../../../server/respond';
import { findMe } from '../../../../server/session';
import { guarded } from '../../../../server/guarded';

/** Hands the plant out as JSON, a zip of CSV sheets, or GraphML; the newest version unless another is named. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  const asked = new URL(request.url).searchParams;
  const db = sharedDatabase();
  const version = Number(asked.get('version') ?? readPlantVersion(db));
  if (!Number.isInteger(version) || !hasPlantVersion(db, version)) {
    return respondError(
      404,
      `The plant has no version ${asked.get('version')?.slice(0, 20) ?? ''}.`,
    );
  }
  const { plant } = readGraph(db, version);
  const send = (body: string | Uint8Array<ArrayBuffer>, type: string, ending: string) =>
    new Response(body, {
      headers: {
        'content-type': type,
        'content-disposition': `attachment; filename="plant-v${version}.${ending}"`,
      },
    });
  switch (asked.get('format') ?? 'json') {
    case 'json':
      return send(`${JSON.stringify(plant, null, 2)}\n`, 'application/json', 'json');
    case 'zip':
      return send(new Uint8Array(writeSheets(plant)), 'application/zip', 'zip');
    case 'graphml':
      return send(writeGraphml(plant), 'application/xml', 'graphml');
    default:
      return respondError(400, 'format must be json, zip or graphml.');
  }
});
