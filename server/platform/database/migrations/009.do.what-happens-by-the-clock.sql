-- A job can belong to no client: what happens by the clock, for all of them.
ALTER TABLE job MODIFY client_id INT UNSIGNED NULL;

-- What happens by the clock, of the application itself or of one client. Whoever moves the next time on does it.
CREATE TABLE IF NOT EXISTS schedule (
  schedule_id    INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id      INT UNSIGNED NULL,
  kind           VARCHAR(40)  CHARACTER SET ascii NOT NULL,
  subject        VARCHAR(80)  CHARACTER SET ascii NOT NULL DEFAULT '',
  unique_key     VARCHAR(130) CHARACTER SET ascii NOT NULL UNIQUE,
  pattern        VARCHAR(60)  CHARACTER SET ascii NOT NULL,
  time_zone      VARCHAR(60)  CHARACTER SET ascii NOT NULL DEFAULT 'UTC',
  next_at        TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  last_at        TIMESTAMP(3) NULL,
  KEY (next_at),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
