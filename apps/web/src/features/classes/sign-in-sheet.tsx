import type { FirstSignIn, MadeCard } from '@semita/core/contract';
import { Printer } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { CodeSquare } from '../../ui/code-square.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

/** What students sign in by, as it is handed to them on paper. Nobody can show it a second time. */
export type SignInPaper =
  | { readonly kind: 'passwords'; readonly people: readonly FirstSignIn[] }
  | { readonly kind: 'cards'; readonly people: readonly MadeCard[] };

interface Props {
  readonly paper: SignInPaper;
  readonly className: string;
  readonly onDone: () => void;
}

/** Cards to cut out, two in a row. */
export function SignInSheet({ paper, className, onDone }: Props) {
  const [isPrinted, setIsPrinted] = useState(false);
  const [isAsking, setIsAsking] = useState(false);
  const isCards = paper.kind === 'cards';
  // Shown this once: closing the page is asked about as well.
  useEffect(() => {
    if (isPrinted) return;
    const onLeave = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', onLeave);
    return () => window.removeEventListener('beforeunload', onLeave);
  }, [isPrinted]);
  const print = () => {
    window.print();
    setIsPrinted(true);
  };
  return (
    <section className="grid gap-4">
      <div className="grid gap-3 print:hidden">
        <div className="flex flex-wrap items-center gap-3">
          <h2 className="grow text-22">{t(isCards ? 'classes.cardsTitle' : 'classes.sheetTitle')}</h2>
          <Button look="main" autoFocus onClick={print}>
            <Printer aria-hidden className="size-4" strokeWidth={1.75} />
            {t('classes.print')}
          </Button>
          <Button onClick={() => (isPrinted || isAsking ? onDone() : setIsAsking(true))}>
            {t(isAsking && !isPrinted ? 'classes.leaveUnprinted' : 'classes.sheetDone')}
          </Button>
        </div>
        <Notice tone="attention">{t(isCards ? 'classes.cardsHelp' : 'classes.sheetHelp')}</Notice>
      </div>
      <ul className="grid gap-3 sm:grid-cols-2 print:grid-cols-2 print:gap-0">
        {isCards
          ? paper.people.map((card) => <Card key={card.studentId} card={card} className={className} />)
          : paper.people.map((first) => <Password key={first.studentId} first={first} className={className} />)}
      </ul>
    </section>
  );
}

const cutOut =
  'break-inside-avoid rounded-card border border-line bg-sheet p-4 text-pen-ink print:rounded-none print:border-dashed print:border-pen-ink';

function Head({ name, className }: { readonly name: string; readonly className: string }) {
  return (
    <div>
      <p className="font-heading text-18 font-bold [overflow-wrap:anywhere]">{name}</p>
      <p className="text-13">{className}</p>
    </div>
  );
}

function Password({ first, className }: { readonly first: FirstSignIn; readonly className: string }) {
  return (
    <li className={cutOut}>
      <Head name={first.displayName} className={className} />
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-3 text-14">
        <dt>{t('classes.printUserName')}</dt>
        <dd className="font-mono text-16 [overflow-wrap:anywhere]">{first.userName}</dd>
        <dt>{t('classes.printPassword')}</dt>
        <dd className="font-mono text-16">{first.password}</dd>
      </dl>
      <p className="mt-2 text-13">{t('classes.printAt', { address: window.location.host })}</p>
    </li>
  );
}

function Card({ card, className }: { readonly card: MadeCard; readonly className: string }) {
  const { displayName: name, token, words } = card;
  return (
    <li className={`${cutOut} flex gap-4`}>
      <CodeSquare
        text={`${window.location.origin}/card#${token}`}
        label={t('classes.cardSquare', { name })}
        className="size-28 shrink-0"
      />
      <div className="grid min-w-0 content-between gap-2">
        <Head name={name} className={className} />
        <div>
          <p className="text-13">{t('classes.printWords', { address: `${window.location.host}/card` })}</p>
          <p className="font-mono text-16">{words}</p>
        </div>
      </div>
    </li>
  );
}
