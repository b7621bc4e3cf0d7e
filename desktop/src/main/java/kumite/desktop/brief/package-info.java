/** The Brief station: what the controller must do, for whose hands, on which host. */
package kumite.desktop.brief;
