import type { RequestHandler } from 'express';
import helmet from 'helmet';
import { HttpError } from './http-error.js';
import { sendProblem } from './problem.js';

const OWN_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);

/**
 * Refuses requests whose Host is not this server's own (a foreign name that was pointed at loopback), and requests from other sites.
 * The port is the one that the connection came in on.
 */
export const onlyOwnSite: RequestHandler = (request, response, next) => {
  const port = String(request.socket.localPort);
  const isOwn = (host: string): boolean => {
    const at = host.lastIndexOf(':');
    const [name, given] = at > host.lastIndexOf(']') ? [host.slice(0, at), host.slice(at + 1)] : [host, '80'];
    return OWN_NAMES.has(name.toLowerCase()) && given === port;
  };
  const { host, origin } = request.headers;
  if (host === undefined || !isOwn(host)) {
    sendProblem(response, new HttpError('wrong-host', `Clever Drawer answers at http://127.0.0.1:${port} only.`));
    return;
  }
  // A page of this site, or a program that is no browser and names no origin.
  const ownOrigin = origin === undefined || (/^https?:\/\//.test(origin) && isOwn(origin.replace(/^https?:\/\//, '')));
  const site = request.headers['sec-fetch-site'];
  const navigates = request.method === 'GET' && request.headers['sec-fetch-mode'] === 'navigate';
  if (!ownOrigin || (site === 'cross-site' && !navigates)) {
    sendProblem(response, new HttpError('other-site', 'Requests from other sites are refused.'));
    return;
  }
  next();
};

/** Security headers; everything the page needs comes from this server. */
export const securityHeaders: RequestHandler = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      // Measured widths and positions of the virtual list and the ribbons are inline styles.
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:'],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  strictTransportSecurity: false,
});
