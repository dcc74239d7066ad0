import type { Handlers } from '../../http/serve-route.ts';
import type { BankService } from './bank-service.ts';
import type { ExchangeService } from './exchange-service.ts';

type Names =
  | 'listBank'
  | 'putIntoBank'
  | 'changeBankItem'
  | 'removeBankItem'
  | 'takeInPackage'
  | 'describePackage'
  | 'writePackage';

/** As many as an address holds. */
const maxIds = 200;
const idsOf = (itemIds: string) => itemIds.split(',').slice(0, maxIds);

export function bankHandlers(bank: BankService, exchange: ExchangeService): Pick<Handlers, Names> {
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
    takeInPackage: ({ actor, req }) => exchange.takeIn(actor, Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0)),
    describePackage: ({ actor, params }) => {
      const lost = exchange.describe(actor, idsOf(params.itemIds));
      return lost.map(({ stem, fields }) => ({ stem, fields: [...fields] }));
    },
    writePackage: async ({ actor, params, res }) => {
      const zip = await exchange.write(actor, idsOf(params.itemIds));
      res.attachment('questions.zip').type('application/zip').send(zip);
      return undefined;
    },
  };
}
