// Installs what is missing. Plain JavaScript without packages: it runs before anything is installed.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Whether everything that the lock file names is installed, by versions: a copied checkout has other file times and the same packages.
 * Packages for other systems may be missing.
 */
export function isInstalled(root) {
  const wanted = packagesOf(join(root, 'package-lock.json'));
  const there = packagesOf(join(root, 'node_modules', '.package-lock.json'));
  if (!wanted || !there) return false;
  return Object.entries(wanted).every(([path, { version, link, optional }]) => {
    if (!path.startsWith('node_modules/') && !path.includes('/node_modules/')) return true;
    if (!there[path]) return optional === true;
    return link === there[path].link && version === there[path].version;
  });
}

/** Installs what the lock file names. False where that fails; npm has said why. */
export function install(root) {
  const args = ['ci', '--no-audit', '--no-fund', '--loglevel=error'];
  const how = { cwd: root, stdio: ['ignore', 'ignore', 'inherit'], shell: process.platform === 'win32' };
  return spawnSync('npm', args, how).status === 0;
}

function packagesOf(lockFile) {
  if (!existsSync(lockFile)) return null;
  try {
    return JSON.parse(readFileSync(lockFile, 'utf8')).packages ?? null;
  } catch {
    // Cut off while it was written: everything is installed anew.
    return null;
  }
}
