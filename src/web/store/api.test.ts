import { api, ApiError, type Progress } from './api';

const encoder = new TextEncoder();

/** An answer that says how far it is, and then ends as `end` has it. */
const answers = (end: (controller: ReadableStreamDefaultController<Uint8Array>) => void) =>
  jest.spyOn(globalThis, 'fetch').mockImplementation(async () => {
    let isFirst = true;
    const body = new ReadableStream<Uint8Array>({
      pull: (controller) => {
        if (isFirst) controller.enqueue(encoder.encode('{"phase":"looking","done":1,"of":2}\n'));
        else end(controller);
        isFirst = false;
      },
    });
    return new Response(body);
  });

const imported = (abort = new AbortController()) => {
  const heard: Progress[] = [];
  const onProgress = (it: Progress) => void heard.push(it);
  const watch = { signal: abort.signal, onProgress };
  return { heard, done: api.importRecords('tubes', 'id,label\n', true, watch) };
};

afterEach(() => jest.restoreAllMocks());

describe('a file that is watched on its way in', () => {
  test('a connection that breaks in the middle of the answer is a refusal in words', async () => {
    answers((controller) => controller.error(new TypeError('network error')));
    const { heard, done } = imported();
    await expect(done).rejects.toMatchObject({ status: 0, field: 'server' });
    await expect(done).rejects.toBeInstanceOf(ApiError);
    expect(heard).toEqual([{ phase: 'looking', done: 1, of: 2 }]);
  });

  test('an answer that ends before its last line is one too', async () => {
    answers((controller) => controller.close());
    await expect(imported().done).rejects.toMatchObject({ status: 0 });
  });

  test('the server’s own refusal keeps its status and words', async () => {
    const error = { field: 'file', message: 'The file has no rows.', expected: 'Include one' };
    answers((controller) => {
      controller.enqueue(encoder.encode(`${JSON.stringify({ status: 422, answer: { error } })}\n`));
      controller.close();
    });
    await expect(imported().done).rejects.toMatchObject({ status: 422, problem: error });
  });

  test('what the fitter stopped rejects with the stop, not with a refusal', async () => {
    const abort = new AbortController();
    const stopped = new Error('stopped');
    answers((controller) => {
      abort.abort();
      controller.error(stopped);
    });
    await expect(imported(abort).done).rejects.toBe(stopped);
  });
});
