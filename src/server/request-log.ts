import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Logger } from 'pino';
import pinoHttp from 'pino-http';

/**
 * The log of requests: who asked for what and how it ended. Headers are left out, since they hold
 * the passphrase.
 */
export const requestLog = (logger: Logger) =>
  pinoHttp<IncomingMessage, ServerResponse>({
    logger,
    autoLogging: { ignore: (req) => !req.url?.startsWith('/api') },
    wrapSerializers: false,
    serializers: {
      req: (req: IncomingMessage & { id?: unknown }) => ({
        id: req.id,
        method: req.method,
        // The key of the calendar is in its address, and so are the names that someone looks for.
        url: req.url?.replace(/([?&][^=&]*=)[^&]*/g, '$1…'),
        from: req.socket?.remoteAddress,
      }),
      res: (res: ServerResponse) => ({ status: res.statusCode }),
    },
  });
