/*
 * Who may do what in the private database. The statements are run at every start, before anybody can connect: whatever
 * accounts a data directory brings along (an older Jokul left root without a password), only ours is left.
 */

const rights = [
  'SELECT, INSERT, UPDATE, DELETE',
  // What a migration needs.
  'CREATE, ALTER, DROP, INDEX, REFERENCES, LOCK TABLES',
].join(', ');

/** @param databases what the account may use: one name, or a pattern for the throw-away databases of tests */
export const accountStatements = ({ database, databases = database, secret }) => [
  `CREATE DATABASE IF NOT EXISTS ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;`,
  // MariaDB's own keeper of views has no way to sign in.
  "DELETE FROM mysql.global_priv WHERE NOT (User = 'mariadb.sys' AND Host = 'localhost');",
  'DELETE FROM mysql.db;',
  "DELETE FROM mysql.tables_priv WHERE User <> 'mariadb.sys';",
  'DELETE FROM mysql.columns_priv;',
  'DELETE FROM mysql.procs_priv;',
  'DELETE FROM mysql.proxies_priv;',
  'DELETE FROM mysql.roles_mapping;',
  'FLUSH PRIVILEGES;',
  `CREATE USER 'jokul'@'127.0.0.1' IDENTIFIED BY '${secret}';`,
  `GRANT ${rights} ON \`${databases}\`.* TO 'jokul'@'127.0.0.1';`,
];
