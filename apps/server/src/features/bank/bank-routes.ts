import type { Handlers } from '../../http/serve-route.ts';
import type { BankService } from './bank-service.ts';

type Names = 'listBank' | 'putIntoBank' | 'changeBankItem' | 'removeBankItem';

export function bankHandlers(bank: BankService): Pick<Handlers, Names> {
  return {
    listBank: ({ actor }) => bank.list(actor),
    putIntoBank: ({ actor, body }) => bank.put(actor, body.entries),
    changeBankItem: ({ actor, params, body }) => {
      bank.change(actor, params.itemId, body);
      return undefined;
    },
    removeBankItem: ({ actor, params }) => {
      bank.remove(actor, params.itemId);
      return undefined;
    },
  };
}
