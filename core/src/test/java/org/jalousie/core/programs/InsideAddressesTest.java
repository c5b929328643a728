package org.jalousie.core.programs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.InetAddress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class InsideAddressesTest {
    /** The IANA IPv4 and IPv6 special-purpose address registries, and ways to write them otherwise. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "0.0.0.0",
                "10.1.2.3",
                "100.64.0.1",
                "100.127.255.255",
                "127.0.0.1",
                "127.9.9.9",
                "169.254.169.254",
                "172.16.0.1",
                "172.31.255.255",
                "192.0.0.8",
                "192.0.2.1",
                "192.168.1.1",
                "198.19.0.1",
                "198.51.100.7",
                "203.0.113.9",
                "224.0.0.1",
                "240.0.0.1",
                "255.255.255.255",
                "::",
                "::1",
                "::ffff:127.0.0.1",
                "::ffff:10.0.0.1",
                "::127.0.0.1",
                "64:ff9b::10.0.0.1",
                "100::1",
                "2001::1",
                "2001:db8::1",
                "2002:7f00:1::",
                "fc00::1",
                "fd12:3456::1",
                "fe80::1",
                "ff02::1",
                "3fff::1"
            })
    void theOfficesOwnAndSpecialOnesAreInside(String address) throws Exception {
        assertThat(InsideAddresses.isInside(InetAddress.getByName(address))).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "1.1.1.1",
                "9.255.255.255",
                "11.0.0.0",
                "100.63.255.255",
                "100.128.0.0",
                "126.255.255.255",
                "172.15.0.1",
                "172.32.0.1",
                "192.167.1.1",
                "198.20.0.0",
                "223.255.255.255",
                "2606:4700::1",
                "2a00:1450::1",
                "::ffff:1.1.1.1"
            })
    void theOthersAreNot(String address) throws Exception {
        assertThat(InsideAddresses.isInside(InetAddress.getByName(address))).isFalse();
    }

    @Test
    void blocksAreReadAndNamesAreNone() throws Exception {
        assertThat(InsideAddresses.Block.of("10.0.0.0/9").holds(InetAddress.getByName("10.127.0.1")))
                .isTrue();
        assertThat(InsideAddresses.Block.of("10.0.0.0/9").holds(InetAddress.getByName("10.128.0.1")))
                .isFalse();
        assertThat(InsideAddresses.Block.of("::1").holds(InetAddress.getByName("::1")))
                .isTrue();
        assertThat(InsideAddresses.Block.of("::1").holds(InetAddress.getByName("127.0.0.1")))
                .isFalse();
        for (String wrong : new String[] {"localhost", "10.0.0.0/33", "10.0.0.0/x", "", "/8", "300.1.1.1"})
            assertThatThrownBy(() -> InsideAddresses.Block.of(wrong)).isInstanceOf(IllegalArgumentException.class);
    }
}
