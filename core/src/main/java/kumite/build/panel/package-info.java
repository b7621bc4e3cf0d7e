/** What the builder decided of the panel and its case. Start at {@link Panel}. */
package kumite.build.panel;
