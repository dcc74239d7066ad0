import { afterEach, describe, expect, test, vi } from 'vitest';
import { ApiError, codeOf } from './api-error.ts';
import { call, callWithFile, pathOf } from './client.ts';

afterEach(() => vi.unstubAllGlobals());

/** The server's answer, faked at the border of the browser. */
function answer(status: number, body: unknown) {
  const fetched = vi.fn(async () => new Response(body === undefined ? null : JSON.stringify(body), { status }));
  vi.stubGlobal('fetch', fetched);
  return fetched;
}

test('names in an address are filled in and made safe', () => {
  expect(pathOf('streamMedia', { materialId: 'a/b?c' })).toBe('/api/materials/a%2Fb%3Fc/media');
});

test('a call goes where the table of routes says, as JSON', async () => {
  const fetched = answer(200, { id: 'new' });
  expect(await call('createLesson', { body: { materialId: 'film' } })).toEqual({ id: 'new' });
  expect(fetched).toHaveBeenCalledWith('/api/lessons', {
    method: 'POST',
    body: '{"materialId":"film"}',
    headers: { 'content-type': 'application/json' },
  });
});

test('a file goes as it is', async () => {
  const fetched = answer(200, { cueCount: 1, faults: [] });
  const file = new Blob(['WEBVTT']);
  await callWithFile('bringInCaptions', { materialId: 'film' }, file);
  expect(fetched).toHaveBeenCalledWith('/api/materials/film/captions', { method: 'PUT', body: file });
});

test('an answer without a body is nothing', async () => {
  answer(204, undefined);
  expect(await call('signOut', {})).toBeUndefined();
});

describe('what goes wrong is a code', () => {
  const failure = () => call('listTodo', {}).catch((error: unknown) => error);

  test("the server's, with what leads to the cause", async () => {
    answer(422, { code: 'lessonIncomplete', detail: { faults: [] } });
    expect(await failure()).toMatchObject({ code: 'lessonIncomplete', detail: { faults: [] } });
  });

  test.each([
    [500, '<html>'],
    [502, null],
  ])('%d without our words is internal', async (status, body) => {
    answer(status, body);
    expect(codeOf(await failure())).toBe('internal');
  });

  test('no connection', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
    expect(await failure()).toEqual(new ApiError('offline'));
  });

  test('a mistake of ours is not taken for a lost connection', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new RangeError('ours')));
    expect(await failure()).toBeInstanceOf(RangeError);
    expect(codeOf(new RangeError('ours'))).toBe('internal');
  });
});
