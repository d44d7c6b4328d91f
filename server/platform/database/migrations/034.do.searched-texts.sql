-- The texts of posts as they are searched by plain words: in small letters, a byte each, which is compared several times
-- faster than letters that may have accents. What stands beside words and equals no letter (pictures, dashes, quotation
-- marks, arrows) is one byte that nobody types; a text with any other letter has none of this, and is searched as it is.
ALTER TABLE post
  ADD COLUMN IF NOT EXISTS searched VARBINARY(2000) AS (
    IF(
      text REGEXP '(?-i)[^\\x01-\\x7F\\x{2010}-\\x{2022}\\x{2026}\\x{2190}-\\x{2193}\\x{2600}-\\x{2775}\\x{2794}-\\x{27BF}\\x{200D}\\x{FE0F}\\x{1F1E6}-\\x{1F1FF}\\x{1F300}-\\x{1FAFF}]',
      NULL,
      LOWER(REGEXP_REPLACE(text, '(?-i)[^\\x01-\\x7F]', CHAR(1 USING utf8mb4)))
    )
  ) PERSISTENT;
