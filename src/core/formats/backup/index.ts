export { writeBackup, readBackup, isBackup, type BackupEntry, type BackupError, type BackupRead } from './backup';
