/** What a build keeps of leads: its own connectors, its leads and cables, its ring-outs. */
package kumite.build.lead;
