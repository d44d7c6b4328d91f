-- Which data of a client was written how often, table by table. Nothing is lost with the old counts: they only say
-- whether an answer that a process remembers is still true, and a process forgets its answers when it ends.
DROP TABLE IF EXISTS client_version;

CREATE TABLE IF NOT EXISTS client_version (
  client_id      INT UNSIGNED NOT NULL,
  topic          VARCHAR(40)  NOT NULL,
  version        BIGINT UNSIGNED NOT NULL DEFAULT 1,
  PRIMARY KEY (client_id, topic)
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
