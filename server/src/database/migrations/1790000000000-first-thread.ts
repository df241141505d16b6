import type { MigrationInterface, QueryRunner } from 'typeorm';

const TABLES = [
  `CREATE TABLE books (
    id CHAR(36) PRIMARY KEY,
    title VARCHAR(300) NOT NULL,
    subtitle VARCHAR(300) NOT NULL,
    author VARCHAR(300) NOT NULL,
    language VARCHAR(35) NOT NULL,
    description TEXT NOT NULL,
    look JSON NOT NULL,
    report JSON NULL,
    created_by VARCHAR(64) NOT NULL,
    created_at DATETIME(3) NOT NULL,
    updated_at DATETIME(3) NOT NULL,
    deleted_at DATETIME(3) NULL
  )`,
  `CREATE TABLE chapters (
    id VARCHAR(64) PRIMARY KEY,
    book_id CHAR(36) NOT NULL,
    position INT NOT NULL,
    matter ENUM('front', 'main', 'back') NOT NULL,
    title VARCHAR(300) NOT NULL,
    doc LONGTEXT NOT NULL,
    schema_version INT NOT NULL,
    version INT NOT NULL,
    words INT NOT NULL,
    links INT NOT NULL,
    updated_by VARCHAR(64) NOT NULL,
    updated_at DATETIME(3) NOT NULL,
    INDEX (book_id, position),
    FOREIGN KEY (book_id) REFERENCES books (id)
  )`,
  `CREATE TABLE enclosures (
    id VARCHAR(64) PRIMARY KEY,
    book_id CHAR(36) NOT NULL,
    name VARCHAR(255) NOT NULL,
    type VARCHAR(100) NOT NULL,
    size BIGINT NOT NULL,
    sha256 CHAR(64) NOT NULL,
    created_by VARCHAR(64) NOT NULL,
    created_at DATETIME(3) NOT NULL,
    FOREIGN KEY (book_id) REFERENCES books (id)
  )`,
  `CREATE TABLE snapshots (
    id CHAR(36) PRIMARY KEY,
    book_id CHAR(36) NOT NULL,
    reason VARCHAR(200) NOT NULL,
    content LONGBLOB NOT NULL,
    created_by VARCHAR(64) NOT NULL,
    created_at DATETIME(3) NOT NULL,
    INDEX (book_id, created_at),
    FOREIGN KEY (book_id) REFERENCES books (id)
  )`,
  `CREATE TABLE check_runs (
    id CHAR(36) PRIMARY KEY,
    book_id CHAR(36) NOT NULL,
    state ENUM('waiting', 'running', 'done', 'failed', 'stopped') NOT NULL,
    created_by VARCHAR(64) NOT NULL,
    created_at DATETIME(3) NOT NULL,
    finished_at DATETIME(3) NULL,
    INDEX (book_id, created_at),
    FOREIGN KEY (book_id) REFERENCES books (id)
  )`,
  `CREATE TABLE check_rows (
    id BIGINT AUTO_INCREMENT PRIMARY KEY,
    run_id CHAR(36) NOT NULL,
    book_id CHAR(36) NOT NULL,
    href TEXT NOT NULL,
    href_hash CHAR(64) NOT NULL,
    verdict VARCHAR(16) NULL,
    answer JSON NULL,
    checked_at DATETIME(3) NULL,
    UNIQUE (run_id, href_hash),
    INDEX (book_id, href_hash, checked_at),
    FOREIGN KEY (run_id) REFERENCES check_runs (id)
  )`,
  `CREATE TABLE exports (
    id CHAR(36) PRIMARY KEY,
    book_id CHAR(36) NOT NULL,
    format ENUM('epub', 'pdf') NOT NULL,
    state ENUM('waiting', 'running', 'done', 'failed', 'stopped') NOT NULL,
    message TEXT NOT NULL,
    notes JSON NOT NULL,
    proof JSON NULL,
    size BIGINT NULL,
    file_name VARCHAR(255) NOT NULL,
    created_by VARCHAR(64) NOT NULL,
    created_at DATETIME(3) NOT NULL,
    finished_at DATETIME(3) NULL,
    INDEX (book_id, created_at),
    FOREIGN KEY (book_id) REFERENCES books (id)
  )`,
];

/** Books, chapters, enclosures, snapshots, check runs and exports. */
export class FirstThread1790000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const table of TABLES) await runner.query(`${table} ENGINE=InnoDB DEFAULT CHARSET=utf8mb4`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const name of [
      'exports',
      'check_rows',
      'check_runs',
      'snapshots',
      'enclosures',
      'chapters',
      'books',
    ])
      await runner.query(`DROP TABLE ${name}`);
  }
}
