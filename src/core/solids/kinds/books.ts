import { block } from '../parts';
import { rule, type Kind } from '../kind';
import { laid } from './helpers';

export const books: Kind = {
  id: 'books',
  name: 'Row of books',
  group: 'things',
  sizes: { width: rule(400, 60, 3000), depth: rule(200, 80, 400), height: rule(260, 100, 450) },
  divisions: { books: { one: 'book', usual: 9, most: 60, whole: (v) => v.width } },
  counts: { heights: rule(3, 1, 6) },
  refuse: (v) => (Math.min(...v.share('books')) < 4 ? `its thinnest book would be under ${v.show(4)}` : null),
  parts: (v) => {
    const n = v.count('heights');
    return laid(0, v.share('books'), 0).map((x, i) => {
      const short = ((i * 2) % n) / (n * 6);
      return block(`book-${i + 1}`, x, [0, v.depth * (1 - short / 2)], [0, v.height * (1 - short)]);
    });
  },
};
