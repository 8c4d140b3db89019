import { Button as AriaButton, type ButtonProps } from 'react-aria-components/Button';
import { Link, type LinkProps } from 'react-router';
import { css, styled } from 'styled-components';

export const look = css<{ $plain?: boolean | undefined; $small?: boolean | undefined }>`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 8px;
  min-height: 44px;
  padding: 0 ${(p) => (p.$small ? 12 : 16)}px;
  border-radius: 10px;
  border: 1.5px solid var(--fox);
  cursor: pointer;
  text-decoration: none;
  white-space: nowrap;
  font: 700 ${(p) => (p.$small ? 14 : 15)}px / 1.1 var(--display);
  background: ${(p) => (p.$plain ? 'transparent' : 'var(--fox)')};
  color: ${(p) => (p.$plain ? 'var(--fox-deep)' : '#fff')};
  &:hover {
    background: ${(p) => (p.$plain ? 'var(--fox-tint)' : 'var(--fox-deep)')};
  }
  &[data-disabled],
  &[aria-disabled='true'] {
    opacity: 0.55;
    cursor: default;
  }
  @media (max-width: 640px) {
    white-space: normal;
    padding-block: 8px;
  }
`;
const Styled = styled(AriaButton)<{ $plain?: boolean | undefined; $small?: boolean | undefined }>`
  ${look}
`;
const StyledLink = styled(Link)<{ $plain?: boolean | undefined; $small?: boolean | undefined }>`
  ${look}
`;

export interface Weight {
  plain?: boolean;
  small?: boolean;
}

export const Button = ({ plain, small, ...rest }: ButtonProps & Weight) => (
  <Styled $plain={plain} $small={small} {...rest} />
);
export const ButtonLink = ({ plain, small, ...rest }: LinkProps & Weight) => (
  <StyledLink $plain={plain} $small={small} {...rest} />
);
