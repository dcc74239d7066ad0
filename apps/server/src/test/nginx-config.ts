import fs from 'node:fs';

interface Places {
  /** Where nginx may write. */
  readonly folder: string;
  readonly port: number;
  /** Host and port of Semita. */
  readonly upstream: string;
  /** The media folder, with a slash at its end. */
  readonly media: string;
}

/** The documented configuration of the proxy, docs/nginx.conf, with the places of a test. */
export function nginxConfig({ folder, port, upstream, media }: Places): string {
  const temporary = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map(
    (name) => `${name}_temp_path ${folder}/${name};`,
  );
  // As root nginx would read under a user of its own; the media folder is its owner's.
  const user = process.getuid?.() === 0 ? 'user root; ' : '';
  return fs
    .readFileSync(new URL('../../../../docs/nginx.conf', import.meta.url), 'utf8')
    .replace(
      'worker_processes auto;',
      `${user}worker_processes 1; daemon off; pid ${folder}/pid; error_log ${folder}/log;`,
    )
    .replace('127.0.0.1:3000', upstream)
    .replace('listen 8080', `listen 127.0.0.1:${port}`)
    .replace('/srv/semita/media/', media)
    .replace('http {', `http { ${temporary.join(' ')}`);
}
