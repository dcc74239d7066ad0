import { createContext, useContext } from 'react';

/** Says that what was typed inside an element is kept now, so that nobody is asked whether to throw it away. */
type Settle = (inside?: Element | null) => void;

const KeptWords = createContext<Settle>(() => undefined);

export const KeptWordsProvider = KeptWords.Provider;
export const useKeptWords = (): Settle => useContext(KeptWords);
