/** What starters say of a sample, in units and with the caution that matters most. */
package keentally.study.starter;
