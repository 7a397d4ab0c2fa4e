/** Files written whole or not at all, JSON, and the one family of faults that a person's files and disks can cause. */
package keentally.study.file;
