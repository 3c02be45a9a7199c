import { t } from '@lingui/core/macro';
import { useEffect } from 'react';
import Markdown from 'react-markdown';
import { useLocation, useNavigate } from 'react-router';
import rehypeSlug from 'rehype-slug';
import remarkGfm from 'remark-gfm';
import models from '../../../../docs/models.md?raw';
import { Button } from '../ui/button';

/** Files of the repository are no pages of the application: their names stay, as text. */
const components = {
  a: ({ href = '', children }: { href?: string; children?: React.ReactNode }) =>
    href.startsWith('#') ? (
      <a href={href} className="underline underline-offset-4">
        {children}
      </a>
    ) : (
      <>{children}</>
    ),
};
const page = (
  <Markdown remarkPlugins={[remarkGfm]} rehypePlugins={[rehypeSlug]} components={components}>
    {models}
  </Markdown>
);

/** What is computed, how, and where it is weak: the models page of the documentation, with its headings as anchors. */
export const ModelsPage = () => {
  const { hash } = useLocation();
  const navigate = useNavigate();
  useEffect(() => {
    const heading = hash && document.querySelector(`#${CSS.escape(decodeURIComponent(hash.slice(1)))}`);
    if (heading) heading.scrollIntoView({ block: 'start' });
  }, [hash]);
  return (
    <div className="relative h-full overflow-y-auto px-5 py-4 max-sm:px-3">
      <div className="no-print mb-3 flex items-center gap-3">
        <Button onClick={() => void navigate(-1)}>{t`Back`}</Button>
        <p className="text-ink-soft">{t`How Jokul computes, for whoever wants to check it. Written for engineers.`}</p>
      </div>
      <article className="manual max-w-[78ch]">{page}</article>
    </div>
  );
};
