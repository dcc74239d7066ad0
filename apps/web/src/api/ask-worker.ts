/** Asks a worker one question, and lets it go when it has answered. */
export function askWorker<Answer>(worker: Worker, question: unknown): Promise<Answer> {
  return new Promise((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      worker.terminate();
      resolve(data);
    };
    worker.onerror = (event) => {
      worker.terminate();
      reject(new Error(event.message));
    };
    worker.postMessage(question);
  });
}
