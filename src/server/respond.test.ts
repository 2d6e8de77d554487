import { z } from 'zod';
import { readBody, readBytes } from './respond';

const post = (body: string) => new Request('http://localhost/', { method: 'POST', body });
const schema = z.strictObject({ name: z.string() });

describe('bodies of requests', () => {
  it.each([
    ['at the limit', 'x'.repeat(10), 10],
    ['empty', '', 0],
  ])('are read whole: %s', async (_label, body, length) => {
    expect((await readBytes(post(body), 10))?.length).toBe(length);
  });

  it('are not taken in beyond the limit', async () => {
    expect(await readBytes(post('x'.repeat(11)), 10)).toBeUndefined();
  });

  it.each([
    ['too long', `{"name":"${'x'.repeat(60)}"}`, 413, 'longer than 50 bytes'],
    ['not JSON', '{', 400, 'not JSON'],
    ['another shape', '{"name":1}', 400, 'name'],
    ['more than asked for', '{"name":"a","more":1}', 400, 'does not fit'],
  ])('are refused: %s', async (_label, body, status, says) => {
    const read = await readBody(post(body), schema, 50);
    if (read.ok) throw new Error('it was read');
    expect(read.response.status).toBe(status);
    expect(await read.response.text()).toContain(says);
  });

  it('are answered with their value', async () => {
    expect(await readBody(post('{"name":"ä"}'), schema)).toEqual({
      ok: true,
      value: { name: 'ä' },
    });
  });
});
