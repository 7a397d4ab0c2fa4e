/**
 * The report as it will be handed over: {@link keentally.desk.report.ReportModel} has it made and laid out on pages, {@link
 * keentally.desk.report.ReportPane} shows these in place of the stage, {@link keentally.desk.report.ReportSide} asks what it is to hold.
 */
package keentally.desk.report;
