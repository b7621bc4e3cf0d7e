/** What the builder decided at the Brief: host, functions, hand. Start at {@link Brief}. */
package kumite.build.brief;
