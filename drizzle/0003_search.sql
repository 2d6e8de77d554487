CREATE VIRTUAL TABLE `search_row` USING fts5(
  `ids`, `equipment`, `title`, `words`,
  tokenize = 'unicode61 remove_diacritics 2',
  prefix = '2 3'
);
