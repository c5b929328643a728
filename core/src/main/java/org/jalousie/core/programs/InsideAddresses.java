package org.jalousie.core.programs;

import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.List;

/**
 * Which network addresses are no addresses of the Internet at large: the machine's own, the office's network, and what the IANA
 * registries of special-purpose addresses keep for something else (RFC 6890 and the registries that it sets up).
 */
public final class InsideAddresses {
    private static final List<Block> BLOCKS = List.of(
            Block.of("0.0.0.0/8"),
            Block.of("10.0.0.0/8"),
            Block.of("100.64.0.0/10"),
            Block.of("127.0.0.0/8"),
            Block.of("169.254.0.0/16"),
            Block.of("172.16.0.0/12"),
            Block.of("192.0.0.0/24"),
            Block.of("192.0.2.0/24"),
            Block.of("192.88.99.0/24"),
            Block.of("192.168.0.0/16"),
            Block.of("198.18.0.0/15"),
            Block.of("198.51.100.0/24"),
            Block.of("203.0.113.0/24"),
            Block.of("224.0.0.0/3"),
            // of the sixth version only what is given out for the Internet (RFC 4291 §2.4): 2000::/3, without these
            Block.of("2001::/23"),
            Block.of("2001:db8::/32"),
            Block.of("2002::/16"),
            Block.of("3fff::/20"));
    private static final Block GLOBAL_6 = Block.of("2000::/3");

    private InsideAddresses() {}

    /** Whether an address is none of the Internet at large. */
    public static boolean isInside(InetAddress address) {
        if (!(address instanceof Inet4Address) && !GLOBAL_6.holds(address)) return true;
        return BLOCKS.stream().anyMatch(block -> block.holds(address));
    }

    /**
     * Addresses that begin alike (RFC 4632 §3.1).
     *
     * @param bits how many at the beginning are the same
     */
    public record Block(InetAddress first, int bits) {
        /**
         * One address, or a block as {@code 10.0.0.0/8}.
         *
         * @throws IllegalArgumentException for what is neither; names are none
         */
        public static Block of(String text) {
            int slash = text.indexOf('/');
            String address = slash < 0 ? text : text.substring(0, slash);
            // a name would be asked for in the network
            if (!address.matches("[0-9.]+|[0-9a-fA-F:.]*:[0-9a-fA-F:.]*"))
                throw new IllegalArgumentException("no network address: " + text);
            try {
                InetAddress first = InetAddress.getByName(address);
                int most = first.getAddress().length * 8;
                int bits = slash < 0 ? most : Integer.parseInt(text.substring(slash + 1));
                if (bits < 0 || bits > most) throw new IllegalArgumentException("no block: " + text);
                return new Block(first, bits);
            } catch (UnknownHostException e) {
                throw new IllegalArgumentException("no network address: " + text, e);
            }
        }

        /** Whether an address is one of them. */
        public boolean holds(InetAddress address) {
            byte[] mine = first.getAddress();
            byte[] other = address.getAddress();
            if (mine.length != other.length) return false;
            int whole = bits / 8;
            if (!Arrays.equals(mine, 0, whole, other, 0, whole)) return false;
            int rest = bits % 8;
            return rest == 0 || ((mine[whole] ^ other[whole]) & 0xff) >> (8 - rest) == 0;
        }
    }
}
