import type { HandedFile } from '@semita/core/question';
import { createContext, useContext } from 'react';
import { ApiError } from '../../api/api-error.ts';
import { callWithFile, pathOf } from '../../api/client.ts';

/** The largest file a student can hand in; the server holds to the same. */
const largestBytes = 200 * 1024 * 1024;

/** Where files of an answer go: to the server, or, in a rehearsal, nowhere. */
export interface AnswerFiles {
  readonly send: (file: File) => Promise<HandedFile>;
  readonly addressOf: (fileId: string) => string;
}

const addressOf = (fileId: string) => pathOf('readAnswerFile', { fileId });

/** Where nothing can be handed in, files can still be looked at. */
const AnswerFilesContext = createContext<AnswerFiles>({
  addressOf,
  send: () => Promise.reject(new ApiError('internal')),
});
export const AnswerFilesProvider = AnswerFilesContext.Provider;

export function useAnswerFiles(): AnswerFiles {
  return useContext(AnswerFilesContext);
}

/** Files that go to the server and belong to one attempt. */
export function createAnswerFiles(attemptId: string): AnswerFiles {
  return {
    addressOf,
    async send(file) {
      if (file.size > largestBytes) throw new ApiError('bodyTooLarge');
      return await callWithFile('sendAnswerFile', { attemptId, fileName: file.name }, file);
    },
  };
}

/** Files of a rehearsal: shown on this page, and gone with it. */
export function createRehearsalFiles(newId: () => string): AnswerFiles {
  const addresses = new Map<string, string>();
  return {
    addressOf: (fileId) => addresses.get(fileId) ?? '',
    async send(file) {
      const fileId = newId();
      addresses.set(fileId, URL.createObjectURL(file));
      return { fileId, name: file.name, mimeType: file.type, byteLength: file.size };
    },
  };
}
