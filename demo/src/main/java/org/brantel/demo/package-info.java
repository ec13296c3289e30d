/** The demo lab on the coast of Skerrow: people and a few cases, loaded once into an empty lab. */
package org.brantel.demo;
