/** The Power station: solved input circuits on their threshold scales, and the supply's budget. */
package kumite.desktop.power;
