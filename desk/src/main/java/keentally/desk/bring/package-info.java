/** Masks and labels that were made elsewhere: looked at beside the sample before they are taken in. */
package keentally.desk.bring;
