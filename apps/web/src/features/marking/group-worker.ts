import { type AnswerGroup, groupAnswers } from '@semita/core/analysis';

/** Groups answers off the page's own thread: two hundred are compared with each other. */
self.onmessage = ({ data }: MessageEvent<readonly string[]>) => {
  self.postMessage(groupAnswers(data) satisfies readonly AnswerGroup[]);
};
