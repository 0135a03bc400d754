import { describe, expect, it } from 'vitest';
import { nodeUrls } from './nodes';

describe('the address of a database', () => {
  it.each([
    ['mysql://u:p@127.0.0.1:3306/oilwick', ['mysql://u:p@127.0.0.1:3306/oilwick']],
    ['mysql://u:p@a:1,b:2,c/d', ['mysql://u:p@a:1/d', 'mysql://u:p@b:2/d', 'mysql://u:p@c/d']],
    [
      'mysql://u:p,with%40@a, b/d?ssl=true',
      ['mysql://u:p,with%40@a/d?ssl=true', 'mysql://u:p,with%40@b/d?ssl=true'],
    ],
    ['mysql://a:1,b:2', ['mysql://a:1', 'mysql://b:2']],
  ])('%s names %j', (url, urls) => expect(nodeUrls(url)).toEqual(urls));
});
