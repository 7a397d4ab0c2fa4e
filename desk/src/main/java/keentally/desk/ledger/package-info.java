/** The ledger: series of samples run, a row each, held together as table, contact sheet, groups and plots. */
package keentally.desk.ledger;
