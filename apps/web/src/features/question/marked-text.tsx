import 'katex/dist/katex.min.css';
import Markdown, { type Components } from 'react-markdown';
import rehypeKatex from 'rehype-katex';
import remarkBreaks from 'remark-breaks';
import remarkMath from 'remark-math';

/** Pictures have a field of their own, which asks for their words and keeps them with the lesson. */
const unwanted = ['img', 'script', 'iframe'];

const components: Components = {
  a: ({ children, href }) => (
    <a href={href} target="_blank" rel="noreferrer" className="text-main underline">
      {children}
    </a>
  ),
};

export function MarkedText({ text }: { readonly text: string }) {
  return (
    <Markdown
      remarkPlugins={[remarkMath, remarkBreaks]}
      // Read aloud from MathML, drawn from HTML; a formula with a mistake stands as it was written.
      rehypePlugins={[[rehypeKatex, { output: 'htmlAndMathml', throwOnError: false, strict: 'ignore' }]]}
      disallowedElements={unwanted}
      components={components}
      skipHtml
    >
      {text}
    </Markdown>
  );
}
