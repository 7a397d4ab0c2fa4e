/**
 * The kinds of setting that a step can have. A {@link keentally.core.setting.Setting} knows its default, its limits and when
 * it applies; from it alone the parser, the canonical form, the listing of steps and a fair panel are made. {@link
 * keentally.core.setting.Values} holds what was set. Trees are what JSON is made of: maps, lists, text, numbers, booleans.
 */
package keentally.core.setting;
